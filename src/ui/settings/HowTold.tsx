'use client';

import { Choice } from '../fields/Choice';
import { Toggle } from '../fields/Toggle';
import { useAtHand } from '../shell/atHand';
import { changeSettings } from '../shell/settingsSync';
import styles from './settings.module.css';

/** How much is told of each step: chosen once, for all pieces, and changed wherever steps are read. */
export function HowTold() {
  const { settings } = useAtHand();
  return (
    <div className={styles.howTold}>
      <Choice
        label="Steps are told"
        value={settings.steps}
        options={[
          { value: 'full', label: 'in full' },
          { value: 'brief', label: 'in brief, for who knows the stitch' },
        ]}
        onChange={(steps) => changeSettings({ settings: { steps } })}
      />
      <Toggle
        label="With pictures"
        checked={settings.stepsDrawn}
        onChange={(stepsDrawn) => changeSettings({ settings: { stepsDrawn } })}
      />
    </div>
  );
}
