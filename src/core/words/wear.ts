import type { Kind, School } from '../body/kinds';
import type { Place } from '../body/places';
import type { WearPart } from '../body/wear';

/** How a length is found, whatever the kind of piece. */
export const SCHOOL_WORDS: Readonly<Record<School, string>> = {
  ease: 'body and ease',
  flat: 'fixed length',
  like: 'one that fits',
  drop: 'how far it falls',
  over: 'what it goes over',
  elastic: 'elastic',
};

/** What a part of the target length is called; the body by its place. */
export function wordWearPart(part: WearPart['what'], kind: Kind, place: Place | null): string {
  switch (part) {
    case 'body':
      return place ?? (kind === 'bail' ? 'what it goes over' : 'body');
    case 'ease':
      return 'ease';
    case 'wide band':
      return 'for a wide band';
    case 'thickness':
      return 'for thickness';
    case 'drop':
      return 'for the drop';
    case 'length':
      return 'finished length';
    case 'other thickness':
      return 'for a thickness unlike that piece’s';
    case 'own':
      return 'your own target, against that';
  }
}
