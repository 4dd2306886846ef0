import * as fc from 'fast-check';

declare const process: { readonly env: Readonly<Record<string, string | undefined>> };

// The same papers in every run; another seed looks at others: FC_SEED=7 npm run unit.
fc.configureGlobal({ seed: Number(process.env['FC_SEED'] ?? 20261127) });
