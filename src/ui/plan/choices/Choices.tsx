'use client';

import { holdsOneEnd } from '@/core/closures/suits';
import type { ReactNode } from 'react';
import { heldBy, boundStitch, structureById } from '@/core/structures/registry';
import { listed, hasSections } from '@/core/structures/sections';
import { rolesOf, type Part, type StrungBy } from '@/core/structures/structure';
import { fieldsThatCount } from '@/core/structures/field';
import { KIND_FACTS } from '@/core/body/kinds';
import { ringSize } from '@/core/body/ringSize';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { needsNeedle } from '@/core/materials/material';
import { CORE_ROLE } from '@/core/joints/setIn';
import { counted } from '@/core/words/figures';
import { CLOSING_WORDS } from '@/core/words/closings';
import type { Plan } from '@/core/plan/plan';
import type { Catalogue, Person } from '@/server/screens';
import type { LayingOut } from '../../layouts/layoutStore';
import { useLengths } from '../../shell/lengths';
import { roleName } from '../roleName';
import { ChoiceRow } from './ChoiceRow';
import {
  BeadsChoice,
  EndsChoice,
  GaugeChoice,
  StructureChoice,
  ThreadChoice,
  useBodiesAtHand,
  WornChoice,
} from './bodies';
import { PartChoice } from '../parts/PartChoice';
import { PartRooms } from '../parts/PartRooms';
import type { Rooms } from '../parts/useOpenPart';
import { sourceWords } from './gauge/gaugeWords';
import styles from './choices.module.css';
import { beadOf } from '@/core/piece/part';

/** The choices, in the order of the work. */
export const CHOICE_TITLES = [
  'Who and length',
  'Stitch',
  'Beads',
  'Clasp and ends',
  'Gauge',
  'Thread',
] as const;
export type ChoiceTitle = (typeof CHOICE_TITLES)[number];

/** Whether a part has such a choice: what is made apart is not closed by a clasp. */
export const isAsked = (title: ChoiceTitle, { count, structure }: PartOfPiece): boolean => {
  if (title === 'Clasp and ends') return count.by === 'fit';
  // What is made whole is measured whole, under This part.
  return title !== 'Gauge' || !heldBy(structure.id);
};

interface Props {
  /** The part that is open. */
  readonly piece: PartOfPiece;
  readonly rooms: Rooms;
  /** The plan of the whole piece; null where there is none. */
  readonly whole: Plan | null;
  readonly plan: Plan | null;
  readonly layingOut: LayingOut;
  readonly people: readonly Person[];
  readonly catalogue: Catalogue;
  /** The one that is open. */
  readonly open: ChoiceTitle | null;
  readonly onOpen: (title: ChoiceTitle | null) => void;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** Every choice in the order of the work, each a line that opens in place. */
export function Choices({
  piece,
  rooms,
  whole,
  plan,
  layingOut,
  people,
  catalogue,
  open,
  onOpen,
  onChange,
}: Props) {
  const { show, thread, fine } = useLengths();
  useBodiesAtHand();
  const structure = structureById(piece.structure.id);
  const roles = plan
    ? rolesOf(plan.weaveable).filter((role) => plan.quantities.some((q) => q.role === role))
    : usedRoles(piece);
  const apart = piece.count.by !== 'fit';
  const chosenRoles = piece.count.by === 'around' ? [...roles, CORE_ROLE] : roles;
  const titles = CHOICE_TITLES.filter((title) => isAsked(title, piece));

  const rows: Readonly<Record<ChoiceTitle, { readonly summary: string; readonly body: ReactNode }>> = {
    'Who and length': {
      summary: apart ? aboutWords(piece) : wornWords(piece, plan, show),
      body: apart ? (
        <PartChoice part={piece} rooms={rooms} whole={whole} kinds={catalogue.beads} onChange={onChange} />
      ) : (
        <WornChoice piece={piece} plan={plan} people={people} onChange={onChange} />
      ),
    },
    Stitch: {
      summary: `${structure?.name.toLowerCase() ?? 'unknown'}: ${motifWords(piece) ?? sequenceWords(piece)}`,
      body: (
        <>
          <PartRooms rooms={rooms} />
          <StructureChoice piece={piece} plan={plan} findings={catalogue.findings} onChange={onChange} />
        </>
      ),
    },
    Beads: {
      summary: chosenRoles.map((role) => beadSummary(piece, plan, role)).join('; '),
      body: (
        <BeadsChoice
          piece={piece}
          plan={plan}
          parts={partsOfPiece(piece)}
          roles={chosenRoles.filter((role) => !(role in piece.strung || plan?.components.has(role)))}
          kinds={catalogue.beads}
          onChange={onChange}
        />
      ),
    },
    'Clasp and ends': {
      summary: endsWords(piece, plan, show),
      body: (
        <EndsChoice
          piece={piece}
          rooms={rooms}
          plan={plan}
          clasps={catalogue.clasps}
          findings={catalogue.findings}
          onChange={onChange}
        />
      ),
    },
    Gauge: {
      summary: plan
        ? `${fine(plan.gauge.pitchMm)} ${plan.arrangement ? 'in all' : 'a unit'}, ${sourceWords(plan, layingOut)}`
        : 'not known yet',
      body: plan ? (
        <GaugeChoice piece={piece} plan={plan} layingOut={layingOut} onChange={onChange} />
      ) : (
        <p>It is worked out as soon as there are beads.</p>
      ),
    },
    Thread: {
      summary: threadWords(piece, plan, thread),
      body: <ThreadChoice piece={piece} plan={plan} catalogue={catalogue} onChange={onChange} />,
    },
  };
  return (
    <ol className={`card ${styles.choices}`} aria-label="Choices, in the order of the work">
      {titles.map((title) => (
        <ChoiceRow
          key={title}
          number={CHOICE_TITLES.indexOf(title) + 1}
          title={titleWords(title, piece)}
          summary={rows[title].summary}
          open={open === title}
          onToggle={() => onOpen(open === title ? null : title)}
        >
          {rows[title].body}
        </ChoiceRow>
      ))}
    </ol>
  );
}

/** What a choice is called for this part: of what is closed without one, nobody should look for a clasp. */
function titleWords(title: ChoiceTitle, { count, ends }: PartOfPiece): string {
  if (title === 'Clasp and ends' && holdsOneEnd(ends.clasp)) return 'Ear wire';
  if (title === 'Clasp and ends' && ends.closing !== 'clasp') return 'Ends';
  return title === 'Who and length' && count.by !== 'fit' ? 'This part' : title;
}

/** A role and its bead, or what is strung in its place. */
function beadSummary(piece: PartOfPiece, plan: Plan | null, role: string): string {
  const strung = plan?.components.get(role);
  if (role === CORE_ROLE) return `round a ${roleName(beadOf(piece, role))}`;
  return `${role} ${strung?.name ?? roleName(beadOf(piece, role))}`;
}

const aboutWords = (piece: PartOfPiece): string =>
  piece.count.by === 'around'
    ? `made apart, closed about a ${beadOf(piece, CORE_ROLE).name}`
    : piece.count.by === 'over'
      ? 'made apart, a bail that runs on the piece'
      : TAKEN_UP[heldBy(piece.structure.id) ?? 'its edges'];

/** How a part made apart is taken up, by what it is held by. */
const TAKEN_UP: Readonly<Record<StrungBy | 'its edges', string>> = {
  'two points': 'made apart, one at a time, and joined',
  'its middle': 'made apart, one at a time, and strung',
  'its loop': 'made apart, one at a time, and hung',
  'its edges': 'made apart, to close the piece',
};

/** The runs of beads that the structure's parameters hold. */
const sequences = ({ structure: { id, params } }: PartOfPiece): string[][] => {
  const structure = structureById(id);
  return (structure ? fieldsThatCount(structure, params) : []).flatMap(({ kind, key }) => {
    const value = params[key];
    return kind === 'sequence' && Array.isArray(value) ? [value.map(String)] : [];
  });
};

/** What each bead is to do; nothing while the parameters do not stand. */
const partsOfPiece = ({ structure }: PartOfPiece): readonly Part[] => {
  const bound = boundStitch(structure);
  return bound.ok ? bound.weaveable.parts : [];
};

const usedRoles = (piece: PartOfPiece): string[] => {
  const parts = partsOfPiece(piece).map(({ role }) => role);
  return [...new Set(parts.length > 0 ? parts : sequences(piece).flat())];
};

/** A small motif stands in the place of the sequence. */
function motifWords({ structure: { params } }: PartOfPiece): string | null {
  const { motif } = params;
  return Array.isArray(motif) && motif.length > 0 ? `a motif of ${motif.length} rows` : null;
}

function sequenceWords(piece: PartOfPiece): string {
  // Where no run of beads is told, as of a ball, those that it has are.
  const own =
    sequences(piece)
      .map((roles) => roles.join(' ') || 'no beads yet')
      .join(', ') || usedRoles(piece).join(', ');
  const { sections } = piece.structure;
  return hasSections(sections) ? `${own}, with ${counted(listed(sections).length, 'section')}` : own;
}

function wornWords(piece: PartOfPiece, plan: Plan | null, show: (mm: number) => string): string {
  const { kind, wear, wearer } = piece;
  const { place } = KIND_FACTS[kind];
  const wish = plan ? ` → target ${show(plan.wear.wishMm)}` : '';
  const girth = place && wearer?.girths[place];
  const size = kind === 'ring' && girth ? ` (US ${ringSize('us', girth)})` : '';
  const who = wearer ? `${wearer.name}${girth ? `, ${place} ${show(girth)}${size}` : ''}` : 'nobody yet';
  switch (wear.school) {
    case 'flat':
      return `${kind}, ${'fixed length'}${wish}`;
    case 'like':
      return `${kind}, like one that fits${wish}`;
    case 'drop':
      return `${kind}, ${who}, falls ${show(wear.dropMm)}${wish}`;
    case 'elastic':
      return `${kind}, ${who}, elastic${wish}`;
    case 'ease':
    case 'over': {
      const thickness =
        plan && plan.wear.thicknessEffectMm > 0
          ? `, +${show(plan.wear.thicknessEffectMm)} for thickness`
          : '';
      return `${kind}, ${kind === 'bail' ? 'over a rope' : who}, ${wear.fit}${thickness}${wish}`;
    }
  }
}

function threadWords(
  { thread, needle, doubled }: PartOfPiece,
  plan: Plan | null,
  say: (mm: number) => string,
): string {
  const gear = needsNeedle(thread) ? `, ${needle.name}` : '';
  const tail = plan ? `; tail ${say(plan.thread.tailMm)}` : '';
  return `${thread.name.replace('braided ', '')}${doubled ? ', doubled' : ''}${gear}${tail}`;
}

function endsWords({ ends }: PartOfPiece, plan: Plan | null, show: (mm: number) => string): string {
  if (ends.closing !== 'clasp') return CLOSING_WORDS[ends.closing];
  const takes = plan ? `; takes ${show(plan.closure.allowanceMm)}` : '';
  const chain = plan && plan.closure.chainMm > 0 ? `, chain ${show(plan.closure.chainMm)} each side` : '';
  const { seedsEachSide } = ends.start;
  const button = plan?.closure.button;
  if (plan?.closedBy && button) return `${plan.clasp.name}, ${button.seeds} seeds${takes}`;
  if (plan?.closedBy)
    return `${plan.closedBy.name}, sewn on by ${counted(seedsEachSide, 'seed')} a side${takes}`;
  const legs = plan?.closure.loops.start.legs ? `, on a V of ${seedsEachSide} seeds a leg` : '';
  if (button) return `${ends.clasp.name}, ${button.seeds} seeds${legs}${takes}`;
  const loop =
    ends.clasp.fastening === 'sewn loop' && seedsEachSide > 0 && legs === ''
      ? `, sewn ${seedsEachSide}-ring-${ends[holdsOneEnd(ends.clasp) ? 'start' : 'end'].seedsEachSide}`
      : '';
  return `${ends.clasp.name}${loop}${legs}${takes}${chain}`;
}
