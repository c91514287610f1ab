import { LATER_ROLES, type RoleLetter } from './roles';
import type { LengthRange } from '../length/length';

interface Option {
  readonly value: number | string;
  readonly label: string;
}

/** Parameters of a structure, as a screen changes them. */
type Params = Readonly<Record<string, unknown>>;

/** A choice the maker has, as the planning screen shows it. */
export type Field = {
  readonly key: string;
  readonly label: string;
  readonly help: string;
  /** With which parameters it means anything; with all where nothing is said. */
  readonly needs?: (params: Params) => boolean;
} & (
  | {
      readonly kind: 'sequence';
      readonly most: number;
      /** Roles that can stand in it; all where nothing is said. */
      readonly roles?: readonly RoleLetter[];
    }
  | { readonly kind: 'switch' }
  | {
      readonly kind: 'choice';
      readonly options: readonly Option[];
      /** Where a bead is chosen: how a later role, once it has a bead, is told among the options. */
      readonly roleOption?: (role: RoleLetter) => Option;
    }
  | {
      readonly kind: 'count';
      readonly least: number;
      readonly most: number;
      /** What stands in the place of a number, where it goes by itself; `short` is told where a number would be. */
      readonly or?: {
        readonly value: string;
        readonly label: string;
        readonly short: string;
        readonly help: string;
      };
    }
  | {
      readonly kind: 'length';
      readonly range: LengthRange;
      /** Read in millimetres by everybody, as beads are. */
      readonly fine?: boolean;
    }
  | {
      /** What the needle does in one unit, stroke by stroke. */
      readonly kind: 'path';
    }
  | {
      readonly kind: 'motif';
      /** How the motif is laid out on paper with these parameters. */
      readonly chart: (params: Params) => MotifChart;
    }
);

export type CountField = Extract<Field, { kind: 'count' }>;

/** What stands for no bead where one can be left out. */
export const NONE = 'none';

/** A bead to choose, by its letter alone. */
const roleOption = (role: RoleLetter): Option => ({ value: role, label: role });

/** The choice of one bead, of these and of later roles that have one; where it can be left out, how that is called. */
export const beadField = ({
  roles,
  without,
  ...field
}: Pick<Field, 'key' | 'label' | 'help'> & {
  readonly roles: readonly RoleLetter[];
  readonly without?: string;
}): Field => ({
  ...field,
  kind: 'choice',
  options: [...(without === undefined ? [] : [{ value: NONE, label: without }]), ...roles.map(roleOption)],
  roleOption,
});

/** A small motif on paper: rows one below the other. */
export interface MotifChart {
  readonly cells: (row: number) => number;
  /** How far a row is set in, in half cells. */
  readonly inset: (row: number) => number;
  /** New rows come in so many at once. */
  readonly step: number;
  /** What a new row is filled with, by turns. */
  readonly from: readonly RoleLetter[];
  readonly word: string;
}

/** The options of a choice, later roles that have a bead among them. */
export const optionsOf = (
  { options, roleOption }: Extract<Field, { kind: 'choice' }>,
  had: readonly string[],
): readonly Option[] =>
  roleOption ? [...options, ...LATER_ROLES.filter((role) => had.includes(role)).map(roleOption)] : options;

/** The fields that mean something with these parameters. */
export const fieldsThatCount = (
  { fields, defaults }: { readonly fields: readonly Field[]; readonly defaults: Params },
  params: Readonly<Record<string, unknown>>,
): Field[] => fields.filter(({ needs }) => needs?.({ ...defaults, ...params }) ?? true);
