import type { By } from '../../method/frame/reading';

/** What is stated of a region in its pair, before its name. */
export const BY_WORDS: Record<By, string> = { mean: '', coldest: 'coldest part of ', warmest: 'warmest part of ' };
