import type { Kind } from '../body/kinds';
import type { Sit, Wear } from '../body/wear';
import type { Closure } from '../closures/closure';
import type { Candidate } from '../fit/candidates';
import type { CountRule } from '../fit/rules';
import type { Gauge } from '../gauge/gauge';
import type { LayoutRequest } from '../layout/cellLayout';
import type { View } from '../layout/drawing';
import type { ToLayOut } from '../layout/kept';
import type { Sketch } from '../layout/sketch';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Experience } from '../records/experience';
import type { Weight } from '../read/weight';
import type { Held } from '../told/told';
import type { Graduation, Structure, Weaveable } from '../structures/structure';
import type { Gear } from '../supplies/holeFill';
import type { ThreadPlan } from '../supplies/threadPlan';
import type { EdgeName } from '../weave/edge';
import type { Clasp, ThreadMake } from '../materials/material';
import type { PartId, PassInfo } from '../weave/path';
import type { AsBead } from './asBead';
import type { Caution } from './cautions';
import type { Metal } from '../closures/metal';
import type { EndStage } from './endStage';
import type { Warning } from './warnings';
import type { WovenReadings } from './weavePart';

/** What closes the piece, worked out for the chosen count. */
export interface ClosurePlan extends Closure {
  /** Threads through each half, read off the path; the least of them, 0 where nothing is sewn on. */
  readonly passes: number;
  /** What of metal it takes, and what each closes; what is between its sections among it. */
  readonly metal: readonly Metal[];
  /** Chain on each side, mm, in whole links. */
  readonly chainMm: number;
  /** The piece let out to its last link; the finished length itself where there is no extender. */
  readonly longestMm: number;
  /** When the clasp half of each end is sewn on: from then on that end cannot be fitted any more. */
  readonly finalAt: Readonly<Record<EdgeName, EndStage>>;
}

export interface Plan extends WovenReadings {
  readonly ok: true;
  /** Beads and colours of every role, those within what is strung among them: `ball/A`. */
  readonly seen: Pick<PartOfPiece, 'beads' | 'colourings'>;
  /** Parts made apart that are strung in the place of a bead, by the role that they take. */
  readonly components: ReadonlyMap<string, StrungComponent>;
  readonly structure: Structure;
  readonly weaveable: Weaveable;
  /** A part made apart that closes it in the place of a clasp; null where a clasp does, or nothing. */
  readonly closedBy: Component | null;
  /** Bails that run on it, and take nothing of its length. */
  readonly hung: readonly HungComponent[];
  /** What hangs in the last link of its extender; null where nothing does. */
  readonly dangle: Component | null;
  /** The clasp that closes it, or what stands for one. */
  readonly clasp: Clasp;
  readonly kind: Kind;
  readonly hand: PartOfPiece['hand'];
  /** Whether it is turned over at the end of each row. */
  readonly turning: boolean;
  readonly wear: Wear;
  readonly sit: Sit | null;
  readonly closure: ClosurePlan;
  readonly gauge: Gauge;
  /** What is still to be laid out; until then the closed form stands. */
  readonly toLayOut: LayoutRequest | null;
  readonly chosen: Candidate;
  /** The count to propose: the nearest to the wish that fits, or simply the nearest. */
  readonly best: Candidate;
  readonly candidates: readonly Candidate[];
  /** How many of each step a graduated piece has on one half; null where units are counted. */
  readonly arrangement:
    | (Pick<Graduation, 'of'> & { readonly steps: readonly string[]; readonly counts: readonly number[] })
    | null;
  /** What the count keeps to: the stitch's own rules and the maker's. */
  readonly rules: readonly CountRule[];
  readonly widthMm: number;
  readonly thicknessMm: number;
  /** What it is turned about while it is worked, as a tube or a motif is. */
  readonly round: Held['round'];
  readonly thread: ThreadPlan;
  /** Trips of the needle through beads. */
  readonly trips: number;
  /** What was learnt of the stitch from pieces that were made. */
  readonly experience: Experience;
  /** What its thread is made of. */
  readonly make: ThreadMake;
  readonly gear: Gear;
  readonly weight: Weight;
  /** Passes that can be switched off, whether they are or not. */
  readonly optionalPasses: readonly OptionalPass[];
  readonly warnings: readonly Warning[];
  readonly cautions: readonly Caution[];
}

export interface OptionalPass {
  readonly name: string;
  readonly info: PassInfo;
}

/** A part made apart, with the plan of one of it. */
export interface Component {
  readonly id: PartId;
  readonly name: string;
  readonly plan: Plan;
  /** What is to be laid out of it beside its stitch; null where nothing is. */
  readonly toLayOut: ToLayOut | null;
  /** It alone, as it is seen. */
  readonly sketch: (view: View) => Sketch;
}

/** One that is strung in the place of a bead. */
export interface StrungComponent extends Component, AsBead {}

/** One that runs on the piece. */
export interface HungComponent extends Component {
  /** As it is seen on the piece, from its own middle. */
  readonly onRope: (view: View) => Sketch;
}
