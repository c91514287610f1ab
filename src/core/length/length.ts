/** Lengths inside the core are millimetres as plain numbers, in names that end in `Mm`. */

/** International yard and pound agreement, 1959: the inch is exactly 25.4 mm. */
export const MM_PER_INCH = 25.4;
export const MM_PER_FOOT = 12 * MM_PER_INCH;
export const MM_PER_YARD = 3 * MM_PER_FOOT;

/** The units people write. */
const MM_PER = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  ft: MM_PER_FOOT,
  yd: MM_PER_YARD,
} as const;

export type WrittenUnit = keyof typeof MM_PER;

/** The unit a weaver reads lengths in. */
export const LENGTH_UNITS = ['in', 'cm'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

/** Beads and gauges are read in millimetres by everybody. */
export type ReadUnit = LengthUnit | 'mm';

/** What a length may be. Outside it the reading is questioned, not guessed at. */
export interface LengthRange {
  readonly minMm: number;
  readonly maxMm: number;
}

export type LengthProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'unreadable'; readonly text: string }
  | { readonly code: 'not-positive'; readonly text: string }
  | {
      readonly code: 'implausible';
      readonly mm: number;
      readonly range: LengthRange;
      /** Other units in which a bare number would make sense. */
      readonly perhaps: readonly WrittenUnit[];
    };

export type LengthReading =
  { readonly ok: true; readonly mm: number } | { readonly ok: false; readonly problem: LengthProblem };

// prettier-ignore
const UNIT_WORDS: Record<string, WrittenUnit> = {
  mm: 'mm', millimetre: 'mm', millimetres: 'mm', millimeter: 'mm', millimeters: 'mm',
  cm: 'cm', centimetre: 'cm', centimetres: 'cm', centimeter: 'cm', centimeters: 'cm',
  m: 'm', metre: 'm', metres: 'm', meter: 'm', meters: 'm',
  in: 'in', inch: 'in', inches: 'in', '"': 'in', '″': 'in', '”': 'in', "''": 'in',
  ft: 'ft', foot: 'ft', feet: 'ft', "'": 'ft', '′': 'ft', '’': 'ft',
  yd: 'yd', yard: 'yd', yards: 'yd',
};

// prettier-ignore
const VULGAR: Record<string, string> = {
  '½': '1/2', '¼': '1/4', '¾': '3/4', '⅛': '1/8', '⅜': '3/8', '⅝': '5/8', '⅞': '7/8', '⅓': '1/3', '⅔': '2/3',
};

const NUMBER = String.raw`(?:\d+\s*[-\s]\s*\d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)?|[.,]\d+)`;
const TERM = new RegExp(String.raw`^\s*(${NUMBER})\s*("|″|”|''|'|′|’|[a-z]+\.?)?`, 'i');

/**
 * Reads a length as people write it: `7 1/4"`, `7-1/4`, `7¼ in`, `18,5 cm`, `185 mm`, `5' 4"`, `1.5 m`.
 * A bare number is in `unit`; a comma is always a decimal comma.
 * With a `range`, a length outside it is refused with the units in which the same number would fit; nothing is a
 * length only where the range begins there.
 */
export function parseLength(text: string, unit: ReadUnit, range?: LengthRange): LengthReading {
  const clean = text
    .trim()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (c) => ` ${VULGAR[c] ?? c}`)
    .trim();
  if (clean === '') return refuse({ code: 'empty' });
  if (/^[-−–]\s*[\d.,]/.test(clean)) return refuse({ code: 'not-positive', text: text.trim() });

  const terms = readTerms(clean, unit);
  if (!terms) return refuse({ code: 'unreadable', text: text.trim() });
  const mm = terms.reduce((sum, t) => sum + t.value * MM_PER[t.unit], 0);
  const nothing = mm === 0 && range?.minMm === 0;
  if (!(mm > 0) && !nothing) return refuse({ code: 'not-positive', text: text.trim() });

  if (range && (mm < range.minMm || mm > range.maxMm)) {
    const [only] = terms;
    const bare = terms.length === 1 && only && !only.written ? only.value : null;
    const perhaps =
      bare === null
        ? []
        : (['mm', 'cm', 'in'] as const).filter((u) => within(bare * MM_PER[u], range) && u !== unit);
    return refuse({ code: 'implausible', mm, range, perhaps });
  }
  return { ok: true, mm };
}

const refuse = (problem: LengthProblem): LengthReading => ({ ok: false, problem });
const within = (mm: number, range: LengthRange) => mm >= range.minMm && mm <= range.maxMm;

interface Term {
  readonly value: number;
  readonly unit: WrittenUnit;
  readonly written: boolean;
}

/** One term, or feet and then inches. Null where the text is anything else. */
function readTerms(text: string, fallback: ReadUnit): Term[] | null {
  const terms: Term[] = [];
  let rest = text;
  while (rest.trim() !== '') {
    const found = TERM.exec(rest);
    const previous = terms.at(-1);
    if (!found?.[1] || terms.length === 2 || (previous && previous.unit !== 'ft')) return null;
    const word = found[2]?.toLowerCase().replace(/\.$/, '');
    const unit = word === undefined ? (previous ? 'in' : fallback) : UNIT_WORDS[word];
    const value = readNumber(found[1]);
    if (!unit || value === null || (previous && unit !== 'in')) return null;
    terms.push({ value, unit, written: word !== undefined });
    rest = rest.slice(found[0].length);
  }
  return terms;
}

function readNumber(text: string): number | null {
  const fraction = /^(?:(\d+)\s*[-\s]\s*)?(\d+)\/(\d+)$/.exec(text);
  if (!fraction) return Number(text.replace(',', '.'));
  const below = Number(fraction[3]);
  return below === 0 ? null : Number(fraction[1] ?? 0) + Number(fraction[2]) / below;
}

export interface LengthStyle {
  readonly unit: LengthUnit;
  /** Inches are rounded to this fraction. */
  readonly denominator: 8 | 16;
  /** Written between the whole and its parts; a point where nothing is said. */
  readonly decimal?: Decimal;
}

/** The same for a length that is read in any unit. */
export type ReadStyle = Omit<LengthStyle, 'unit'> & { readonly unit: ReadUnit };

export type Decimal = '.' | ',';

/** A figure with so many decimals, with the weaver's own decimal sign. */
export const formatFigure = (value: number, digits: number, decimal: Decimal = '.'): string =>
  value.toFixed(digits).replace('.', decimal);

/** Words with the weaver's own decimal sign in their figures; what she wrote herself stands in quotation marks, as it is. */
export const withDecimal = (words: string, decimal: Decimal): string =>
  words.replace(/“[^”]*”|(?<=\d)\.(?=\d)/g, (found) => (found === '.' ? decimal : found));

/** Who measures several at once reads a hundredth of what is small, and of nothing more than three figures. */
const fineDigits = (mm: number): number => (Math.abs(mm) < 9.995 ? 2 : Math.abs(mm) < 99.95 ? 1 : 0);

/** Millimetres as gauges and beads are measured, over several: `1.40 mm`, `17.4 mm`, `175 mm`. */
export const formatFine = (mm: number, style: Pick<LengthStyle, 'decimal'>): string =>
  `${formatFineNumber(mm, style)} mm`;

/** The same without its unit. */
export const formatFineNumber = (mm: number, { decimal }: Pick<LengthStyle, 'decimal'>): string =>
  formatFigure(mm, fineDigits(mm), decimal);

/** Millimetres as a caliper is read on work that gives: to a tenth. */
export const formatTenth = (mm: number, { decimal }: Pick<LengthStyle, 'decimal'>): string =>
  `${formatFigure(mm, 1, decimal)} mm`;

/** `7 1/4 in`, `18.4 cm` or `1.34 mm`. Inches to 1/8 or 1/16, lowest terms; centimetres to one decimal. */
export function formatLength(mm: number, style: ReadStyle): string {
  return `${formatNumber(mm, style)} ${style.unit}`;
}

/** The same without its unit, for columns that name the unit once. */
export function formatNumber(mm: number, { unit, denominator, decimal }: ReadStyle): string {
  const sign = mm < 0 ? '−' : '';
  const size = Math.abs(mm);
  if (unit === 'mm') return `${sign}${String(Number(size.toFixed(2))).replace('.', decimal ?? '.')}`;
  if (unit === 'cm') {
    const tenths = Math.round(size); // one tenth of a centimetre is a millimetre
    return `${tenths === 0 ? '' : sign}${formatFigure(tenths / 10, 1, decimal)}`;
  }
  const parts = Math.round((size / MM_PER_INCH) * denominator);
  return `${parts === 0 ? '' : sign}${mixedNumber(parts, denominator)}`;
}

/** `parts` / `denominator` as a mixed number in lowest terms: 29/4 is `7 1/4`. */
function mixedNumber(parts: number, denominator: number): string {
  const whole = Math.floor(parts / denominator);
  let above = parts % denominator;
  if (above === 0) return `${whole}`;
  let below = denominator;
  while (above % 2 === 0) {
    above /= 2;
    below /= 2;
  }
  return whole === 0 ? `${above}/${below}` : `${whole} ${above}/${below}`;
}

/** The length that a reader takes from what is shown, mm. */
export function shownMm(mm: number, { unit, denominator }: LengthStyle): number {
  const stepMm = unit === 'cm' ? 1 : MM_PER_INCH / denominator;
  return Math.round(mm / stepMm) * stepMm;
}

/** How far one length lies from another, both as they are shown: whoever adds up what stands there comes out right. */
export const differenceMm = (mm: number, fromMm: number, style: LengthStyle): number =>
  shownMm(mm, style) - shownMm(fromMm, style);

/** Lengths that add up, each so that what is shown of them adds up as well, mm. */
export function shownParts(parts: readonly number[], style: LengthStyle): number[] {
  const sums = parts.map((_, i) => parts.slice(0, i + 1).reduce((sum, mm) => sum + mm, 0));
  return sums.map((sum, i) => differenceMm(sum, sums[i - 1] ?? 0, style));
}

/** A change of length with its sign: `+1/4 in`, `−3/8 in`. */
export const formatChange = (mm: number, style: ReadStyle): string => {
  const text = formatLength(mm, style);
  return mm > 0 && !/^0([.,]0)? /.test(text) ? `+${text}` : text;
};

/** Thread, which people cut by the metre or by the yard: `2.95 m`, `3 yd 8 in`. Rounded up: never too short. */
export function formatThread(mm: number, unit: LengthUnit, decimal: Decimal = '.'): string {
  if (unit === 'cm') {
    const cm = Math.ceil(mm / 10 - 1e-9);
    return cm < 100 ? `${cm} cm` : `${formatFigure(cm / 100, 2, decimal)} m`;
  }
  const inches = Math.ceil(mm / MM_PER_INCH - 1e-9);
  const yards = Math.floor(inches / 36);
  const rest = inches % 36;
  if (yards === 0) return `${inches} in`;
  return rest === 0 ? `${yards} yd` : `${yards} yd ${rest} in`;
}
