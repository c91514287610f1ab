'use client';

import { FITS, KIND_FACTS, KINDS, type Kind } from '@/core/body/kinds';
import { PLACE_FACTS } from '@/core/body/places';
import { easeOf, type Settings, type SettingsChange } from '@/core/records/settings';
import { percent } from '@/core/words/figures';
import { Choice } from '../fields/Choice';
import { LengthInput } from '../fields/LengthInput';
import { Toggle } from '../fields/Toggle';
import { useAtHand } from '../shell/atHand';
import { useLengths } from '../shell/lengths';
import { ScreenHeader } from '../shell/ScreenHeader';
import { changeSettings, useSettingsState } from '../shell/settingsSync';
import { HowTold } from './HowTold';
import styles from './settings.module.css';

/** Minutes at the mat, and rows, that can be chosen. */
const RESTS = [20, 30, 45, 60] as const;
const COUNTS = [10, 20, 40] as const;
const MARGINS = [0.05, 0.1, 0.15, 0.2, 0.3] as const;
/** Kinds whose length goes by ease. */
const EASED = KINDS.filter((kind) =>
  KIND_FACTS[kind].schools.some((one) => one === 'ease' || one === 'over'),
);

/** One's own habits: how lengths are shown, what a new piece starts from, how thread is cut. */
export function SettingsScreen() {
  const { settings } = useAtHand();
  const { unit, setUnit } = useLengths();
  const { words } = useSettingsState();
  const set = (change: SettingsChange) => changeSettings({ settings: change });
  return (
    <div className={styles.screen}>
      <ScreenHeader title="Settings" told={words} />
      <section className={`card ${styles.section}`} aria-labelledby="lengths">
        <h2 id="lengths">Lengths</h2>
        <Choice
          label="Shown in"
          value={unit}
          options={[
            { value: 'in', label: 'inches' },
            { value: 'cm', label: 'centimetres' },
          ]}
          onChange={setUnit}
          help="Either can be typed everywhere: 7 1/4 in, 18,5 cm, 185 mm."
        />
        <Choice
          label="Inches to"
          value={settings.denominator}
          options={[
            { value: 8, label: 'an eighth' },
            { value: 16, label: 'a sixteenth' },
          ]}
          onChange={(denominator) => set({ denominator })}
        />
        <Choice
          label="Decimals with"
          value={settings.decimal}
          options={[
            { value: '.', label: 'a point: 18.5' },
            { value: ',', label: 'a comma: 18,5' },
          ]}
          onChange={(decimal) => set({ decimal })}
          help="Whichever is shown, both are read."
        />
      </section>
      <section className={`card ${styles.section}`} aria-labelledby="fit">
        <h2 id="fit">How a piece sits</h2>
        <p className="soft">A new piece starts from these. Pieces already begun keep what they have.</p>
        <Choice
          label="A bracelet’s length from"
          value={settings.school}
          options={[
            { value: 'ease', label: 'wrist and ease' },
            { value: 'flat', label: 'fixed length' },
          ]}
          onChange={(school) => set({ school })}
        />
        <Toggle
          label="Allow for thickness"
          help="A closed ring of beads is smaller inside than along its middle line, by π times its thickness."
          checked={settings.thicknessEffect}
          onChange={(thicknessEffect) => set({ thicknessEffect })}
        />
        {EASED.map((kind) => (
          <EaseRow key={kind} kind={kind} settings={settings} onChange={set} />
        ))}
      </section>
      <section className={`card ${styles.section}`} aria-labelledby="screen-and-keys">
        <h2 id="screen-and-keys">Screen and keys</h2>
        <Choice
          label="Colours of the screen"
          value={settings.theme}
          options={[
            { value: 'device', label: 'as this device is set' },
            { value: 'light', label: 'light' },
            { value: 'dark', label: 'dark' },
          ]}
          onChange={(theme) => set({ theme })}
        />
        <Toggle
          label="Single keys do something"
          help="On the planning screen v, c, 1 to 6 and others work alone; press ? for all of them. Off, only keys with Ctrl or ⌘ do."
          checked={settings.singleKeys}
          onChange={(singleKeys) => set({ singleKeys })}
        />
      </section>
      <section className={`card ${styles.section}`} aria-labelledby="steps">
        <h2 id="steps">Steps</h2>
        <HowTold />
      </section>
      <section className={`card ${styles.section}`} aria-labelledby="mat">
        <h2 id="mat">At the mat</h2>
        <Choice
          label="Tell me to rest eyes and hands after"
          value={settings.restAfterMin ?? 0}
          options={[
            ...RESTS.map((min) => ({ value: min, label: `${min} min` })),
            { value: 0, label: 'never' },
          ]}
          onChange={(min) => set({ restAfterMin: min === 0 ? null : min })}
        />
        <Choice
          label="Ask me to count after so many rows"
          value={settings.countEvery ?? 0}
          options={[
            ...COUNTS.map((rows) => ({ value: rows, label: `${rows}` })),
            { value: 0, label: 'never' },
          ]}
          onChange={(rows) => set({ countEvery: rows === 0 ? null : rows })}
          help="Your own count, without being shown what it should be: a slip is found while it is near."
        />
      </section>
      <section className={`card ${styles.section}`} aria-labelledby="thread">
        <h2 id="thread">Thread</h2>
        <LengthInput
          label="Your wingspan, or your height"
          mm={settings.wingspanMm}
          range={PLACE_FACTS.height.range}
          onChange={(wingspanMm) => set({ wingspanMm })}
          help={PLACE_FACTS.height.how}
        />
        <Choice
          label="Cut by"
          value={settings.cutBy}
          options={[
            { value: 'length', label: unit === 'in' ? 'yards and inches' : 'metres' },
            { value: 'wingspan', label: 'my wingspan' },
            { value: 'arm', label: 'my arm’s length' },
          ]}
          onChange={(cutBy) => set({ cutBy })}
        />
        <Choice
          label="Thread to spare"
          value={settings.threadMargin}
          options={MARGINS.map((part) => ({ value: part, label: percent(part) }))}
          onChange={(threadMargin) => set({ threadMargin })}
          help="For pulling, drawing out and mending."
        />
        {settings.holeFactor < 1 && (
          <p>
            Holes are filled to {percent(settings.holeFactor)} of the usual limits, since a needle would not
            pass.{' '}
            <button type="button" className="linkButton" onClick={() => set({ holeFactor: 1 })}>
              forget that
            </button>
          </p>
        )}
      </section>
    </div>
  );
}

/** The three amounts of ease of one kind of piece. */
function EaseRow({
  kind,
  settings,
  onChange,
}: {
  readonly kind: Kind;
  readonly settings: Settings;
  readonly onChange: (change: SettingsChange) => void;
}) {
  const ease = easeOf(settings, kind);
  return (
    <fieldset className={styles.ease}>
      <legend>{kind}</legend>
      {FITS.map((fit, i) => {
        const [tighter, looser] = [FITS[i - 1], FITS[i + 1]];
        return (
          <LengthInput
            key={fit}
            label={fit}
            mm={ease[fit]}
            range={{
              minMm: tighter ? ease[tighter] : 0,
              maxMm: looser ? ease[looser] : 200,
            }}
            onChange={(mm) => onChange({ easeMm: { [kind]: { ...ease, [fit]: mm } } })}
          />
        );
      })}
    </fieldset>
  );
}
