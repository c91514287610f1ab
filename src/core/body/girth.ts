import { parseLength, type LengthReading, type LengthUnit } from '../length/length';
import { PLACE_FACTS, type Place } from './places';
import { namedRingMm } from './ringSize';

/** Places that are measured by rings too. */
const RINGED: readonly Place[] = ['finger', 'knuckle'];

/** Reads a girth as people write it: a length, or of a finger a ring size that names its scale. */
export function parseGirth(place: Place, text: string, unit: LengthUnit): LengthReading {
  const size = RINGED.includes(place) ? namedRingMm(text) : null;
  return parseLength(size === null ? text : `${size} mm`, unit, PLACE_FACTS[place].range);
}
