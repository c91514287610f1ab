'use client';

import { line, range, scaleLinear, area } from 'd3';
import type { Answers } from '@/core/plan/answers';
import { countWords, stepsWords } from '@/core/piece/choosing';
import type { Candidate } from '@/core/fit/candidates';
import { offTarget } from '@/core/words/figures';
import { useLengths } from '../shell/lengths';
import styles from './CountHills.module.css';

const WIDTH = 420;
const GROUND = 104;
const TALL = 66;
const HEIGHT = 112;
/** Hills are drawn to this many deviations. */
const REACH = 3;

interface Props {
  readonly answers: Answers;
  readonly onChoose: (chosen: Candidate) => void;
}

/** The neighbouring counts as hills on a length axis, the fitting band behind them: choose one. */
export function CountHills({ answers, onChoose }: Props) {
  const { show, style } = useLengths();
  const { candidates, chosen, gauge, weaveable, wear, closure, arrangement } = answers;
  // One more is one on either side where the piece is mirrored.
  const stepMm = gauge.pitchMm * (weaveable.sections?.copies ?? 1);
  // With chain every count comes to about the wish: then the counts are set out by what is woven.
  const chained = closure.chainMm > 0;
  const shift = (c: Candidate) =>
    chained ? (c.units - chosen.units) * stepMm + chosen.finishedMm - c.finishedMm : 0;
  const at = (c: Candidate) => c.finishedMm + shift(c);
  const centreMm = chosen.finishedMm;
  const reach = Math.max(...candidates.map((c) => Math.abs(at(c) - centreMm)));
  const halfMm = arrangement ? 1.28 * reach : 2.55 * stepMm;
  const scale = scaleLinear([centreMm - halfMm, centreMm + halfMm], [0, WIDTH]).clamp(true);
  const percent = (mm: number) => `${(scale(mm) / WIDTH) * 100}%`;

  const verdict = (c: Candidate) => {
    if (c.breaks.some(({ must }) => must)) return { good: false, words: '✕ not by the rule' };
    return c.fits
      ? { good: true, words: chained ? `${c.links} links` : '✓ fits' }
      : { good: false, words: offTarget(c, style) };
  };
  const stepsOf = ({ counts }: Candidate) =>
    counts && arrangement ? `, each half ${stepsWords(arrangement.steps, counts)}` : '';
  const rule = (c: Candidate) => c.breaks.map(({ why }) => `; better not: ${why}`).join('');

  return (
    <fieldset className={styles.hills}>
      <legend className="srOnly">{arrangement ? 'How many of each' : 'How many units'}</legend>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className={styles.picture}
        preserveAspectRatio="none"
        aria-hidden
        focusable="false"
      >
        {!chained && (
          <rect
            x={scale(wear.band.minMm)}
            width={scale(wear.band.maxMm) - scale(wear.band.minMm)}
            y={0}
            height={HEIGHT}
            className={styles.band}
          />
        )}
        {candidates.map((c) => (
          <Hill key={keyOf(c)} sdMm={c.sdMm} atMm={at(c)} chosen={keyOf(c) === keyOf(chosen)} scale={scale} />
        ))}
        {!chained && (
          <line x1={scale(wear.wishMm)} x2={scale(wear.wishMm)} y1={0} y2={HEIGHT} className={styles.wish} />
        )}
        <line x1={0} x2={WIDTH} y1={GROUND} y2={GROUND} className={styles.ground} />
      </svg>
      {candidates.map((c) => (
        <label
          key={keyOf(c)}
          className={keyOf(c) === keyOf(chosen) ? styles.countOn : styles.count}
          style={{ left: percent(at(c)) }}
        >
          <input
            type="radio"
            name="units"
            value={keyOf(c)}
            checked={keyOf(c) === keyOf(chosen)}
            onChange={() => onChoose(c)}
            aria-label={`${countWords(answers, c.units)}${stepsOf(c)}, ${show(c.finishedMm)}, ${offTarget(c, style)}${verdict(c).good ? ', fits' : ''}${rule(c)}`}
          />
          <span className={styles.number}>{c.units}</span>
          {c.counts && <span className={styles.length}>{c.counts.join(' · ')}</span>}
          <span className={styles.length}>{show(c.finishedMm)}</span>
          <span className={verdict(c).good ? styles.fits : styles.off}>{verdict(c).words}</span>
        </label>
      ))}
    </fieldset>
  );
}

const keyOf = ({ units, counts }: Candidate) => (counts ? counts.join('.') : `${units}`);

/** How likely each length is, for one count. */
function Hill({
  atMm,
  sdMm,
  chosen,
  scale,
}: {
  atMm: number;
  sdMm: number;
  chosen: boolean;
  scale: (mm: number) => number;
}) {
  const points = range(-REACH, REACH + 0.01, 0.15).map((z): [number, number] => [
    scale(atMm + z * sdMm),
    GROUND - TALL * Math.exp((-z * z) / 2),
  ]);
  const shape = area<[number, number]>().y0(GROUND)(points) ?? '';
  return (
    <g className={chosen ? styles.hillOn : styles.hill}>
      <path d={shape} />
      <path d={line()(points) ?? ''} className={styles.crest} />
    </g>
  );
}
