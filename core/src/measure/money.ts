import { parseNumber } from './parse-number';
import { type DecimalMark, withMark } from './shown';

/** Currencies that a workshop may count in, by their ISO 4217 codes. */
export const CURRENCIES = [
  ...['EUR', 'GBP', 'USD', 'CAD', 'AUD', 'NZD', 'CHF', 'DKK', 'NOK', 'SEK', 'ISK'],
  ...['PLN', 'CZK', 'HUF', 'RON', 'JPY', 'KRW', 'INR', 'BRL', 'MXN', 'ZAR'],
] as const;

export type Currency = (typeof CURRENCIES)[number];

/** An amount of money in the currency's minor unit (cents, pence; whole yen), so that sums are exact. */
export interface Money {
  readonly minor: number;
  readonly currency: Currency;
}

/** How many digits the minor unit has behind the mark, after ISO 4217. */
export function minorDigits(currency: Currency): number {
  return new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2;
}

/** The figure alone: `12.50`, `12,50`, `1250` for yen. */
export function moneyFigure({ minor, currency }: Money, decimal: DecimalMark): string {
  const digits = minorDigits(currency);
  return withMark((minor / 10 ** digits).toFixed(digits), decimal);
}

/** Figure and currency: `12.50 EUR`. The code, and no sign: a dollar is not the same everywhere. */
export const formatMoney = (money: Money, decimal: DecimalMark): string =>
  `${moneyFigure(money, decimal)} ${money.currency}`;

/** A typed amount in minor units; null for what is no number or has more digits than the currency. */
export function parseMoney(text: string, currency: Currency): number | null {
  const value = parseNumber(text);
  if (value === null) return null;
  const minor = value * 10 ** minorDigits(currency);
  const whole = Math.round(minor);
  return Math.abs(minor - whole) < 1e-6 ? whole : null;
}
