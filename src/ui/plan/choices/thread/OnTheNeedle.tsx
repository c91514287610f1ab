'use client';

import { useState } from 'react';
import type { Plan } from '@/core/plan/plan';
import { changeWords } from '@/core/supplies/cutting';
import { reach } from '@/core/supplies/threadPlan';
import { LengthInput } from '../../../fields/LengthInput';
import { Pick } from '../../../fields/Pick';
import { useLengths } from '../../../shell/lengths';
import { WOVEN } from '@/core/weave/path';

const RANGE = { minMm: 50, maxMm: 20_000 };
const START = 'the start';

/** With what is left on the needle: how far it reaches, and where to stop. */
export function OnTheNeedle({ plan }: { readonly plan: Plan }) {
  const { thread } = useLengths();
  const [haveMm, setHave] = useState<number | null>(null);
  const [from, setFrom] = useState(START);
  const [laid] = plan.thread.divisions;
  if (!laid) return null;
  const places = laid.stretches.flatMap(({ pass, unit, section }, i) =>
    section === WOVEN && pass !== 'start' && laid.stretches[i + 1]
      ? [{ value: changeWords({ pass, unit }), at: i + 1 }]
      : [],
  );
  const at = places.find(({ value }) => value === from)?.at ?? 0;
  const reached = haveMm === null ? null : reach(laid, { margin: plan.thread.margin, from: at, haveMm });
  return (
    <>
      <LengthInput
        label="Thread on the needle now"
        mm={haveMm}
        range={RANGE}
        onChange={setHave}
        help="Measure what hangs from the work, and read how far it reaches."
      />
      <Pick
        label="I am at"
        value={from}
        options={[START, ...places.map(({ value }) => value)].map((value) => ({ value, label: value }))}
        onChange={setFrom}
      />
      {reached && haveMm !== null && (
        <p role="status">
          With {thread(haveMm)} on the needle{' '}
          {reached.reachesTheEnd
            ? 'you reach the end.'
            : reached.stopAfter
              ? `you reach ${changeWords(reached.stopAfter).replace('after ', '')}; stop there.`
              : 'not one more unit can be worked: change thread now.'}
        </p>
      )}
    </>
  );
}
