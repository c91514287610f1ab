// npm run soak: the long checks, all of them. `npm test` runs a seeded minute of them (bench/soak/soak.test.ts).
import { built, withChoir } from './served';
import { fullDisk, readOnlyFolder } from './soak/disk';
import { damagedFiles } from './soak/files';
import { damagedFolders } from './soak/folders';
import { kills } from './soak/kills';
import { sweptLayouts } from './soak/layouts';
import { journeys } from './soak/journeys';
import { longTests } from './soak/longTests';
import { damagedRequests, SLOW_MS } from './soak/requests';

const KILLS = Number(process.env.SOAK_KILLS ?? 100);
const FILES = Number(process.env.SOAK_FILES ?? 10_000);
const REQUESTS = Number(process.env.SOAK_REQUESTS ?? 10_000);
/** Stitches drawn at random in beads drawn at random, beside every stitch in every bead. */
const LAYOUTS = Number(process.env.SOAK_LAYOUTS ?? 800);

const checks: readonly (readonly [string, () => Promise<string> | string])[] = [
  ['damaged files', () => damagedFiles(FILES)],
  ['damaged folders', () => damagedFolders()],
  ['kills', () => kills(KILLS)],
  ['damaged requests', () => (built(), withChoir((served) => damagedRequests(served, REQUESTS, SLOW_MS)))],
  ['journeys', () => (built(), journeys())],
  ['long unit tests', longTests],
  ['layouts', () => sweptLayouts(LAYOUTS)],
  ['a full disk', fullDisk],
  ['a folder only to be read', readOnlyFolder],
];

/** Every check runs, whatever became of the one before. */
let failed = 0;
for (const [name, check] of checks)
  try {
    console.log(await check());
  } catch (error) {
    failed++;
    console.error(`! ${name}:`, error);
  }
console.log(failed === 0 ? '\nThe soak is green.' : `\n${failed} of ${checks.length} checks failed.`);
process.exitCode = failed === 0 ? 0 : 1;
