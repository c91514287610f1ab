'use client';

import { PLACE_FACTS, PLACES, SIZES } from '@/core/body/places';
import { Rows } from '../fields/Rows';
import { useLengths } from '../shell/lengths';
import styles from './people.module.css';

/** Usual girths, for when nobody can be measured: said to be no more than that. */
export function TypicalTable() {
  const { show } = useLengths();
  const places = PLACES.filter((place) => PLACE_FACTS[place].typical);
  return (
    <section className={`card ${styles.typical}`} aria-labelledby="typical">
      <h2 id="typical">When nobody can be measured</h2>
      <p>
        Usual girths of adults. They are no more than typical: a piece planned by them says so. Fingers and
        upper arms differ too much for a table; measure a ring or a piece that fits.
      </p>
      <Rows heads={['place', ...SIZES]} wide={false}>
        {places.map((place) => (
          <tr key={place}>
            <th scope="row">{place === 'hand' ? 'hand, thumb tucked in' : place}</th>
            {SIZES.map((size) => (
              <td key={size} className="figures">
                {show(PLACE_FACTS[place].typical?.[size] ?? 0)}
              </td>
            ))}
          </tr>
        ))}
      </Rows>
    </section>
  );
}
