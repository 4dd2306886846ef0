import * as fc from 'fast-check';
import type * as z from 'zod';

/** What a schema says of itself, as far as is used here. */
interface Inside {
  readonly def: {
    readonly type: string;
    readonly shape?: Readonly<Record<string, z.ZodType>>;
    readonly element?: z.ZodType;
    readonly innerType?: z.ZodType;
    readonly options?: readonly z.ZodType[];
    readonly entries?: Readonly<Record<string, string>>;
    readonly values?: readonly (string | number | boolean | null)[];
    readonly keyType?: z.ZodType;
    readonly valueType?: z.ZodType;
    readonly out?: z.ZodType;
    readonly format?: string;
    readonly checks?: readonly { readonly _zod: { readonly def: Check } }[];
  };
}

interface Check {
  readonly check: string;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly value?: number;
  readonly inclusive?: boolean;
  readonly pattern?: RegExp;
}

/** The least and the most that checks allow, of a number or of a length. */
function boundsOf(checks: readonly Check[]): {
  readonly least?: number;
  readonly most?: number;
  readonly pattern?: RegExp;
} {
  const found: { least?: number; most?: number; pattern?: RegExp } = {};
  for (const { check, minimum, maximum, value, inclusive, pattern } of checks) {
    if (check === 'min_length') found.least = minimum;
    if (check === 'max_length') found.most = maximum;
    if (check === 'greater_than') found.least = inclusive ? value : Number.MIN_VALUE;
    if (check === 'less_than') found.most = value;
    if (check === 'string_format' && pattern) found.pattern = new RegExp(pattern.source);
  }
  return found;
}

/** Lists and records are kept this short: what is asked is whether they are kept, not how many. */
const MOST = 4;
const LONGEST = 2000;

/** Anything that a schema allows, as it would be sent. */
export function arbitraryOf(schema: z.ZodType): fc.Arbitrary<unknown> {
  const { def } = (schema as unknown as { _zod: Inside })._zod;
  const { least, most, pattern } = boundsOf((def.checks ?? []).map((one) => one._zod.def));
  const of = (one: z.ZodType | undefined): fc.Arbitrary<unknown> => arbitraryOf(one!);
  switch (def.type) {
    case 'string':
      return text(schema, { least, most, pattern, format: def.format });
    case 'number':
      return def.format === 'safeint'
        ? fc.integer({ min: Math.max(least ?? -1e9, -1e15), max: Math.min(most ?? 1e9, 1e15) })
        : fc.oneof(
            fc.double({ min: least ?? -1e12, max: most ?? 1e12, noNaN: true }).map((x) => (Object.is(x, -0) ? 0 : x)),
            fc.constantFrom(least ?? 0, most ?? 0),
          );
    case 'boolean':
      return fc.boolean();
    case 'null':
      return fc.constant(null);
    case 'literal':
      return fc.constantFrom(...def.values!);
    case 'enum':
      return fc.constantFrom(...Object.values(def.entries!));
    case 'nullable':
      return fc.option(of(def.innerType));
    case 'readonly':
      return of(def.innerType);
    case 'pipe':
      return of(def.out);
    case 'union':
      return fc.oneof(...def.options!.map(arbitraryOf));
    case 'array':
      return fc
        .array(of(def.element), { minLength: least, maxLength: Math.max(least ?? 0, Math.min(most ?? MOST, MOST)) })
        .filter((value) => schema.safeParse(value).success);
    case 'record':
      return fc.dictionary(of(def.keyType) as fc.Arbitrary<string>, of(def.valueType), { maxKeys: MOST });
    case 'optional':
      return of(def.innerType);
    case 'object': {
      const parts = Object.entries(def.shape!);
      // What may be left out sometimes is.
      const requiredKeys = parts.filter(([, one]) => !one.safeParse(undefined).success).map(([key]) => key);
      return fc.record(Object.fromEntries(parts.map(([key, one]) => [key, arbitraryOf(one)])), { requiredKeys });
    }
    default:
      throw new Error(`Nothing here makes a ${def.type}.`);
  }
}

interface Text {
  readonly least?: number;
  readonly most?: number;
  readonly pattern?: RegExp;
  readonly format?: string;
}

function text(schema: z.ZodType, { least = 0, most = LONGEST, pattern, format }: Text): fc.Arbitrary<string> {
  if (format === 'uuid') return fc.uuid();
  if (format === 'datetime')
    return fc
      .date({ min: new Date('0001-01-01'), max: new Date('9999-12-31'), noInvalidDate: true })
      .map((date) => date.toISOString());
  const any = pattern
    ? fc.stringMatching(pattern, { maxLength: Math.min(most, 40) })
    : fc.oneof(
        fc.string({ unit: 'grapheme', minLength: least, maxLength: Math.min(most, 60) }),
        fc.string({ unit: 'binary', minLength: least, maxLength: Math.min(most, 60) }),
        fc.constantFrom('x'.repeat(most), "'; DROP TABLE jobs; --", '__proto__', '%_%', '\u0000 after nothing'),
      );
  return any.filter((value) => schema.safeParse(value).success);
}
