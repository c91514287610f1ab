import { ballBand } from './ballBand';
import { barBand } from './barBand';
import { beadedBall } from './beadedBall';
import { brickStitch } from './brickStitch';
import { chevronChain } from './chevronChain';
import { crossWeave } from './crossWeave';
import { daisyChain } from './daisyChain';
import { flatHerringbone } from './flatHerringbone';
import { flowerBand } from './flowerBand';
import { flatPeyote } from './flatPeyote';
import { graduatedLine } from './graduatedLine';
import { graduatedCrossWeave } from './graduatedCrossWeave';
import { hangingDrop } from './hangingDrop';
import { helixTube } from './helixTube';
import { joinedMotifs } from './joinedMotifs';
import { ladder } from './ladder';
import { nettedStrip } from './nettedStrip';
import { nettedTube } from './nettedTube';
import { ownUnit } from './ownUnit';
import { bindSections } from './bindSections';
import { hasSections, type Sections } from './sections';
import { rightAngleWeave } from './rightAngleWeave';
import { roundMotif } from './roundMotif';
import { spiralRope } from './spiralRope';
import { squareRope } from './squareRope';
import { stoneLattice } from './stoneLattice';
import { severalStrands } from './severalStrands';
import { strungLine } from './strungLine';
import type { Graduation, Structure, StrungBy, Weaveable } from './structure';
import { tileLadder } from './tileLadder';
import { tubularHerringbone } from './tubularHerringbone';
import { tubularPeyote } from './tubularPeyote';
import { twoDecks } from './twoDecks';
import { twoHoleLine } from './twoHoleLine';

/** Every stitch the gallery knows, in the order it shows them. A new one is one file and one line here. */
export const STRUCTURES: readonly Structure[] = [
  strungLine,
  severalStrands,
  graduatedLine,
  ladder,
  tileLadder,
  flatHerringbone,
  tubularHerringbone,
  flatPeyote,
  tubularPeyote,
  brickStitch,
  rightAngleWeave,
  crossWeave,
  graduatedCrossWeave,
  ballBand,
  spiralRope,
  helixTube,
  daisyChain,
  chevronChain,
  nettedTube,
  nettedStrip,
  squareRope,
  twoDecks,
  twoHoleLine,
  stoneLattice,
  flowerBand,
  barBand,
  joinedMotifs,
];

/** What is made apart, one at a time, to be joined or strung as it is. */
export const MADE_WHOLE: readonly Structure[] = [roundMotif, beadedBall, hangingDrop];

/** By what one that is made whole is held; undefined of any other stitch. */
export const heldBy = (id: string): StrungBy | undefined => structureById(id)?.madeWhole?.by;

/** A stitch of the gallery, a motif, or the maker's own unit. */
export const structureById = (id: string): Structure | undefined =>
  id === ownUnit.id ? ownUnit : [...STRUCTURES, ...MADE_WHOLE].find((s) => s.id === id);

/** A stitch with its parameters: ready to be woven, or what to change in them. */
export type Bound =
  | { readonly ok: true; readonly structure: Structure; readonly weaveable: Weaveable }
  | { readonly ok: false; readonly messages: readonly string[] };

/** A stitch as a part has it. */
export interface ChosenStitch {
  readonly id: string;
  readonly params: Readonly<Record<string, unknown>>;
  readonly sections?: Sections;
}

/** Finds a stitch, checks its parameters and binds them, with the sections that it has. */
export function boundStitch({ id, params, sections }: ChosenStitch): Bound {
  const structure = structureById(id);
  if (!structure) return { ok: false, messages: ['This version knows no such structure.'] };
  const messages = structure.check(params);
  if (messages.length > 0) return { ok: false, messages };
  if (!hasSections(sections)) return { ok: true, structure, weaveable: structure.bind(params) };
  const bound = bindSections(structure, params, sections, structureById);
  return bound.ok ? { ...bound, structure } : bound;
}

/** The stitch of a part's own units alone, without its sections. */
export const ownUnits = ({ id, params }: ChosenStitch): ChosenStitch => ({ id, params });

/** How a graduated stitch is arranged; null where units are counted, or its parameters do not stand. */
export function graduationOf(stitch: Parameters<typeof boundStitch>[0]): Graduation | null {
  const bound = boundStitch(stitch);
  return (bound.ok && bound.weaveable.arrangement) || null;
}
