import { inject, Injectable } from '@angular/core';
import {
  type Currency,
  moneyFigure,
  parseLength,
  ParseLengthError,
  parseMoney,
  parseNumber,
  paperWeight,
  parsePurpose,
  parseSizes,
  type Purpose,
  type SheetSize,
  STOCK_SHEETS,
} from '@odd-corner/core';
import { Figures } from '../figures/figures';
import { type Codec, type Reading, reading } from './codec';

const isUnread = (error: unknown): error is ParseLengthError => error instanceof ParseLengthError;

/** Finer lengths than paper's thickness are not measured in a workshop. */
const THICKNESS_DIGITS = 3;

/** Texts of this workshop's fields: lengths in its unit unless they name one, numbers with its decimal mark. */
@Injectable({ providedIn: 'root' })
export class Codecs {
  private readonly figures = inject(Figures);

  /** A length in mm. Empty is null, which the schema accepts or not. */
  length(): Codec<number> {
    return this.unlessEmpty({
      read: (text) => reading(() => parseLength(text, this.figures.unit()), isUnread),
      write: (mm) => this.figures.exact([mm]),
    });
  }

  /** A number. @param hint what is said of a text that is none */
  number(hint: string): Codec<number> {
    return this.unlessEmpty({
      read(text): Reading<number> {
        const value = parseNumber(text);
        return value === null ? { why: hint } : { value };
      },
      write: (value) => this.figures.mark(`${value}`),
    });
  }

  /** Thickness of paper in mm: too thin to be read as a length of something to be held. */
  thickness(): Codec<number> {
    const hint = 'Write a thickness in mm, for example 0.12.';
    const { read } = this.number(hint);
    return {
      read: (text) => (/\d\s*(cm|in|"|″)/i.test(text) ? { why: hint } : read(text.replace(/\s*mm\s*$/i, ''))),
      write: (mm) => this.figures.mark(`${Number(mm.toFixed(THICKNESS_DIGITS))}`),
    };
  }

  /** What a paper weighs in g/m², also written as pounds of a stock. */
  paperWeight(): Codec<number> {
    return this.unlessEmpty({
      read(text): Reading<number> {
        const value = paperWeight(text, parseNumber);
        return value === null ? { why: 'Write a weight, for example 80, or 20 lb bond, or 65 lb cover.' } : { value };
      },
      write: (gsm) => this.figures.mark(`${Number(gsm.toFixed(2))}`),
    });
  }

  /** Two sides of a sheet, or the name of a common one. */
  sheet(): Codec<SheetSize> {
    return this.unlessEmpty({
      read: (text) =>
        reading(() => {
          const named = STOCK_SHEETS.find(({ name }) => name.toLowerCase() === text.trim().toLowerCase());
          if (named) return { widthMm: named.widthMm, heightMm: named.heightMm };
          const sides = parseSizes(text, this.figures.unit());
          const [widthMm, heightMm] = sides;
          if (sides.length !== 2) throw new ParseLengthError('count', 'Write two sizes, for example 297 x 210.', text);
          return { widthMm, heightMm };
        }, isUnread),
      write: ({ widthMm, heightMm }) => this.figures.exact([widthMm, heightMm]),
    });
  }

  /** What something is for. */
  purpose(): Codec<Purpose> {
    return this.unlessEmpty({
      read: (text) => reading(() => parsePurpose(text, this.figures.unit()), isUnread),
      write: (purpose) => this.figures.purpose(purpose),
    });
  }

  /** An amount of money in minor units. */
  money(currency: Currency): Codec<number> {
    const { decimal } = this.figures.shown();
    const example = moneyFigure({ minor: 1250, currency }, decimal);
    return this.unlessEmpty({
      read(text): Reading<number> {
        const minor = parseMoney(text, currency);
        return minor === null ? { why: `Write a price, for example ${example}.` } : { value: minor };
      },
      write: (minor) => moneyFigure({ minor, currency }, decimal),
    });
  }

  private unlessEmpty<T>({ read, write }: Codec<T>): Codec<T> {
    return { read: (text) => (text.trim() ? read(text) : { value: null }), write };
  }
}
