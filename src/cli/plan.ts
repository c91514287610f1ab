// npm run plan -- examples/breakwater-band.json: the plan of a piece file, as JSON.
import { readFileSync } from 'node:fs';
import * as z from 'zod';
import { partOf } from '@/core/piece/partOfPiece';
import { migratePiece } from '@/core/piece/piece';
import { planSolved } from '@/core/plan/shipped';
import { planReport } from '@/core/plan/report';
import { wordProblem } from '@/core/words/problems';
import { speak } from './speak';

function read(file: string) {
  let raw: unknown;
  try {
    raw = JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    throw new Error(
      `${file} could not be read as JSON. (${error instanceof Error ? error.message : String(error)})`,
      {
        cause: error,
      },
    );
  }
  try {
    return migratePiece(raw);
  } catch (error) {
    if (!(error instanceof z.ZodError)) throw error;
    const faults = error.issues.map((issue) => `  ${issue.path.join('.') || 'the file'}: ${issue.message}`);
    throw new Error(`${file} is not a piece that this version can read:\n${faults.join('\n')}`, {
      cause: error,
    });
  }
}

await speak(() => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Error('Say which piece to plan: npm run plan -- examples/breakwater-band.json');
  const plan = planSolved(partOf(read(file)));
  if (!plan.ok) throw new Error(wordProblem(plan.problem, { unit: 'cm', denominator: 8 }));
  return JSON.stringify(planReport(plan), null, 2);
});
