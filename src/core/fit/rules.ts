/** What a count must keep to: n leaves `rest` when divided by `of`. */
export interface CountRule {
  readonly of: number;
  readonly rest: number;
  /** A preference is shown with its reason; a rule that must be kept decides which counts are proposed. */
  readonly must: boolean;
  /** Why, in words that follow "because". */
  readonly why: string;
}

const keeps = (units: number, { of, rest }: CountRule): boolean => (((units - rest) % of) + of) % of === 0;

/** The rules that a count breaks, those that must be kept first. */
export const broken = (units: number, rules: readonly CountRule[]): CountRule[] =>
  rules.filter((rule) => !keeps(units, rule)).sort((a, b) => Number(b.must) - Number(a.must));

/** Whether a count keeps every rule that must be kept. */
export const allowed = (units: number, rules: readonly CountRule[]): boolean =>
  rules.every((rule) => !rule.must || keeps(units, rule));

const greatestCommon = (a: number, b: number): number => (b === 0 ? a : greatestCommon(b, a % b));

/** After how many counts the rules repeat: their least common multiple. */
export const cycle = (rules: readonly CountRule[]): number =>
  rules.filter(({ must }) => must).reduce((lcm, { of }) => (lcm * of) / greatestCommon(lcm, of), 1);

/** Whether any count at all keeps them all. */
export const canBeKept = (rules: readonly CountRule[]): boolean =>
  Array.from({ length: cycle(rules) }, (_, n) => n).some((n) => allowed(n, rules));
