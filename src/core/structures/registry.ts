import { flatHerringbone } from './flatHerringbone';
import { ladder } from './ladder';
import { flatPeyote } from './flatPeyote';
import { rightAngleWeave } from './rightAngleWeave';
import { strungLine } from './strungLine';
import type { Structure } from './structure';

/** Every family the gallery knows. A new one is one file and one line here. */
export const STRUCTURES: readonly Structure[] = [
  flatHerringbone,
  strungLine,
  ladder,
  flatPeyote,
  rightAngleWeave,
];

export const structureById = (id: string): Structure | undefined => STRUCTURES.find((s) => s.id === id);
