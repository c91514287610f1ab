'use client';

import { byId, FINDINGS } from '@/core/materials/catalogue';
import type { FindingMaterial } from '@/core/materials/material';
import {
  hangsInRow,
  isBetween,
  MOST_ACROSS,
  MOST_LINKS,
  MOST_ROUNDS,
  USUAL_LOOP_SEEDS,
  type Seam,
} from '@/core/structures/seam';
import type { OtherStitch } from '@/core/structures/sections';
import { Choice } from '../../fields/Choice';
import { CountInput } from '../../fields/CountInput';
import { Pick } from '../../fields/Pick';
import { Toggle } from '../../fields/Toggle';

/** What joins two edges first, where the catalogue has it. */
const USUAL_FINDING = byId(FINDINGS, 'jump-ring-4');

interface Props {
  /** The section that it is joined to, as the maker counts them. */
  readonly number: number;
  readonly other: OtherStitch;
  readonly findings: readonly FindingMaterial[];
  readonly onChange: (other: OtherStitch) => void;
}

/** How a section in another stitch is joined. */
export function SeamFields({ number, other, findings, onChange }: Props) {
  const { seam, matched } = other;
  const set = (change: Partial<Seam>) => onChange({ ...other, seam: { ...seam, ...change } });
  const between = findings.filter(isBetween);
  const take = (by: Seam['by']) => {
    if (by !== 'finding') set({ by });
    else
      set({
        by,
        across: USUAL_LOOP_SEEDS,
        finding: seam.finding ?? { what: between[0] ?? USUAL_FINDING, count: 1 },
      });
  };
  return (
    <>
      <Toggle
        label={`As broad as section ${number}`}
        checked={matched}
        onChange={(next) => onChange({ ...other, matched: next })}
        help={
          seam.by === 'finding'
            ? 'Where there is such a breadth; with a finding between them they need not be.'
            : 'Edges are joined place by place: both must have as many.'
        }
      />
      <Choice
        label={`Joined to section ${number}`}
        value={seam.by}
        options={[
          { value: 'beads', label: 'by beads' },
          { value: 'edge', label: 'edge to edge' },
          { value: 'zip', label: 'zipped' },
          { value: 'finding', label: 'by a ring, chain or bar' },
        ]}
        onChange={take}
        help="By small circles of loop seeds, by thread alone, or, two edges of even peyote, each in the gaps of the other; or each edge is sewn to a finding between them."
      />
      {seam.by === 'finding' && (
        <FindingFields seam={seam} between={between} onChange={(finding) => set({ finding })} />
      )}
      {(seam.by === 'beads' || seam.by === 'finding') && (
        <CountInput
          label={seam.by === 'beads' ? 'Beads across' : 'Seeds on either side of a loop'}
          value={seam.across}
          least={1}
          most={MOST_ACROSS}
          onChange={(across) => set({ across })}
        />
      )}
      {seam.by === 'beads' && (
        <CountInput
          label="Beads back"
          value={seam.back}
          least={1}
          most={MOST_ACROSS}
          onChange={(back) => set({ back })}
        />
      )}
      {seam.by !== 'zip' && (
        <Choice
          label="Thread goes round"
          value={seam.rounds}
          options={Array.from({ length: MOST_ROUNDS }, (_, i) => ({
            value: i + 1,
            label: i === 0 ? 'once' : `${i + 1} times`,
          }))}
          onChange={(rounds) => set({ rounds })}
        />
      )}
    </>
  );
}

/** Which finding lies between two edges, and how many of it in a row. */
function FindingFields({
  seam: { finding },
  between,
  onChange,
}: {
  readonly seam: Seam;
  readonly between: readonly FindingMaterial[];
  readonly onChange: (finding: NonNullable<Seam['finding']>) => void;
}) {
  if (!finding) return null;
  const { what, count } = finding;
  // One that has left the catalogue since is still the one that is worked with.
  const all = between.some(({ id }) => id === what.id) ? between : [what, ...between];
  return (
    <>
      <Pick
        label="What lies between"
        value={what.id}
        options={all.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(id) => {
          const next = all.find((one) => one.id === id) ?? what;
          onChange({ what: next, count: hangsInRow(next) ? count : 1 });
        }}
      />
      {hangsInRow(what) && (
        <CountInput
          label={what.kind === 'jump ring' ? 'Rings in a row' : 'Links'}
          value={count}
          least={1}
          most={MOST_LINKS}
          onChange={(next) => onChange({ what, count: next })}
        />
      )}
    </>
  );
}
