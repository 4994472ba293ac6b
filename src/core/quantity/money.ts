import { accept, refuse, type Result } from '../result';
import { parseNumber } from './number';

/** Whole minor units (cents); money is never a fraction of one. */
type Minor = number;

/** Digits after the point in a currency [std: ISO 4217, by way of the runtime's own table]. */
export function minorDigits(currency: string): number {
  return (
    new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions()
      .maximumFractionDigits ?? 2
  );
}

/** Reads "8,99 €", "8.99" or "€8" into minor units; refuses negative amounts and odd fractions. */
export function parseMoney(text: string, currency: string): Result<Minor> {
  const bare = text.replace(/[€$£¥]|[a-z]{3}/gi, '').trim();
  const number = parseNumber(bare);
  if (!number.ok) return number;
  if (number.value < 0) return refuse('too_small', 'A price cannot be below zero.');
  const scaled = number.value * 10 ** minorDigits(currency);
  if (Math.abs(scaled - Math.round(scaled)) > 1e-6)
    return refuse('too_fine', `${currency} has ${minorDigits(currency)} digits after the point.`);
  if (scaled > Number.MAX_SAFE_INTEGER) return refuse('too_big', 'That is more money than exists.');
  return accept(Math.round(scaled));
}

/** A writer of amounts in one currency. Making one is slow; keep it for a whole list. */
export function moneyFormatter(currency: string, locale = 'en-IE'): (minor: Minor) => string {
  const format = new Intl.NumberFormat(locale, { style: 'currency', currency });
  const scale = 10 ** (format.resolvedOptions().maximumFractionDigits ?? 2);
  return (minor) => format.format(minor / scale);
}

export const formatMoney = (minor: Minor, currency: string, locale?: string): string =>
  moneyFormatter(currency, locale)(minor);
