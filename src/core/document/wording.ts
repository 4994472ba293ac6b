import en from 'zod/v4/locales/en.js';
import type { Wording } from '../schema';

/** English words for what is wrong in a document; the small build of Zod brings none along. */
export const wording: Wording = { error: en().localeError };
