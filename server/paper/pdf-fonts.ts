import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const require = createRequire(import.meta.url);

/** Fonts by whose letters they have; one of the last three is opened only where a paper needs it. */
export type FontFamily = 'western' | 'japanese' | 'korean' | 'chinese';

const packed = (name: string, file: string): string =>
  join(dirname(require.resolve(`@embedpdf/fonts-${name}`)), '..', 'fonts', file);
const FILES: Readonly<Record<FontFamily, (isBold: boolean) => string>> = {
  western: (isBold) => require.resolve(`dejavu-fonts-ttf/ttf/DejaVuSans${isBold ? '-Bold' : ''}.ttf`),
  japanese: (isBold) => packed('jp', `NotoSansJP-${isBold ? 'Bold' : 'Regular'}.otf`),
  korean: (isBold) => packed('kr', `NotoSansKR-${isBold ? 'Bold' : 'Regular'}.otf`),
  chinese: (isBold) => packed('sc', `NotoSansHans-${isBold ? 'Bold' : 'Regular'}.otf`),
};

export const fontFile = (family: FontFamily, isBold: boolean): string => FILES[family](isBold);

const EASTERN = /[\p{sc=Han}\p{sc=Hira}\p{sc=Kana}\p{sc=Hang}\p{sc=Bopo}\u3000-\u303f\uff00-\uffef]/u;

/** Han letters look otherwise in each country: what else a paper has tells whose they are. */
export function easternOf(text: string): Exclude<FontFamily, 'western'> {
  if (/[\p{sc=Hira}\p{sc=Kana}]/u.test(text)) return 'japanese';
  return /\p{sc=Hang}/u.test(text) ? 'korean' : 'chinese';
}

/** The fonts that may have a letter, the best first: those of the east are tried, and opened, only for letters of the east. */
export function familiesFor(letter: string, eastern: FontFamily): readonly FontFamily[] {
  if (!EASTERN.test(letter)) return ['western'];
  if (/[\p{sc=Hira}\p{sc=Kana}]/u.test(letter)) return ['japanese'];
  if (/\p{sc=Hang}/u.test(letter)) return ['korean'];
  return [eastern, 'chinese', 'japanese', 'korean'];
}
