declare const process: { readonly env: Readonly<Record<string, string | undefined>> };

/** Whether `npm run test:deep` asks: the same properties, by the hundred. */
export const DEEP = process.env['DEEP'] === 'true';

/** How often a property is tried every day, and by the deep tests. */
export const runs = (everyday: number, deep: number): number => (DEEP ? deep : everyday);
