// Any choices that a stitch has.
import fc from 'fast-check';
import { FIRST_ROLES } from '../structures/roles';
import type { Structure } from '../structures/structure';

type Params = Readonly<Record<string, unknown>>;

/** What reaches from edge to edge of a band is long, or does not reach: so many beads it has; of shorter sequences nothing is said. */
export function longDefault({ defaults }: Pick<Structure, 'defaults'>, key: string): number | null {
  const usual = defaults[key];
  return Array.isArray(usual) && usual.length > LONG ? usual.length : null;
}
const LONG = 9;

/** A stitch with any of its options, in short sequences of its first four roles; as it starts where they do not go together. */
export function anyParams({ fields, defaults, check }: Structure): fc.Arbitrary<Params> {
  const fieldOf = (field: Structure['fields'][number]): fc.Arbitrary<unknown> => {
    switch (field.kind) {
      case 'choice':
        return fc.constantFrom(...field.options.map(({ value }) => value));
      case 'switch':
        return fc.boolean();
      case 'count': {
        const number = fc.integer({ min: field.least, max: Math.min(field.most, field.least + 4) });
        return field.or ? fc.oneof(number, fc.constant(field.or.value)) : number;
      }
      case 'sequence': {
        const { roles = FIRST_ROLES.slice(0, 4), most } = field;
        return fc.array(fc.constantFrom(...roles.slice(0, 4)), {
          minLength: 1,
          maxLength: Math.min(4, most),
        });
      }
      default:
        return fc.constant(defaults[field.key]);
    }
  };
  return fc
    .record(Object.fromEntries(fields.map((field) => [field.key, fc.option(fieldOf(field))])))
    .map((asked) => {
      const told = Object.fromEntries(Object.entries(asked).filter(([, value]) => value !== null));
      const params = { ...defaults, ...told };
      return check(params).length === 0 ? params : defaults;
    });
}
