import { DrizzleQueryError } from 'drizzle-orm/errors';
import { FolderInUse } from '@/data/guard';
import { causes, NO_ANSWER } from '@/data/problem';
import { Refusal } from '@/data/records';

/** Something did not work: an HTTP status, and words that say what to do. Neither holds anything personal. */
export class Trouble extends Error {
  override readonly name = 'Trouble';
  constructor(
    readonly status: number,
    words: string,
    /** For the program's own log: what failed, without the values it failed with. */
    readonly log: string | null = null,
  ) {
    super(words);
  }
}

const UNTOUCHED = 'Nothing was changed; what you typed stays in this window.';

/**
 * Kinds of trouble that a disk or a database tells of: codes of PostgreSQL (its manual, appendix A) and of the operating
 * system; and how a database inside the program words the same where it has no code.
 */
const KINDS: readonly { readonly of: RegExp; readonly status: number; readonly words: string }[] = [
  {
    of: /^(53100|ENOSPC|EDQUOT)$|no space left on device|disk quota/i,
    status: 507,
    words: `The disk is full. ${UNTOUCHED} Free some space and try again.`,
  },
  {
    of: /^(25006|EROFS|EACCES|EPERM)$|read-only file system|permission denied/i,
    status: 503,
    words: `The data folder can only be read, not written. ${UNTOUCHED} Make it writable and try again.`,
  },
  {
    of: /^(22P05|22021|22003|22007|22008|22P02|54000|54001)$/,
    status: 400,
    words: `Something in this cannot be stored. ${UNTOUCHED} Look for odd characters, numbers or dates.`,
  },
  {
    of: NO_ANSWER,
    status: 503,
    words: `The database does not answer. ${UNTOUCHED} Try again in a moment.`,
  },
];

/** What failed, for the log: the statement as it was written, with places instead of values. */
function logOf(error: unknown): string {
  const codes = [...causes(error)].map(({ code }) => code).filter(Boolean);
  const coded = codes.length > 0 ? ` (${codes.join(', ')})` : '';
  if (error instanceof DrizzleQueryError) return `A query failed${coded}: ${error.query}`;
  const name = error instanceof Error ? error.name : typeof error;
  // Where in the program it happened; the message of an error may quote what somebody typed.
  const where = error instanceof Error ? (error.stack?.match(/^\s+at .*$/gm)?.slice(0, 8) ?? []) : [];
  return [`${name}${coded}`, ...where].join('\n');
}

/** Any error as trouble with words. */
export function troubleOf(error: unknown): Trouble {
  if (error instanceof Trouble) return error;
  if (error instanceof Refusal) return new Trouble(400, `This cannot be kept as it is. ${error.message}`);
  if (error instanceof FolderInUse) return new Trouble(503, error.message);
  for (const { code, message } of causes(error)) {
    const kind = KINDS.find(({ of }) => of.test(code) || (code === '' && of.test(message)));
    if (kind) return new Trouble(kind.status, kind.words, logOf(error));
  }
  return new Trouble(
    500,
    `That did not work, by a fault of the program. ${UNTOUCHED} Try again; if it goes on, start the program anew.`,
    logOf(error),
  );
}

/** Trouble, told to the log unless it is only a refusal. */
export function troubleTold(error: unknown): Trouble {
  const trouble = troubleOf(error);
  if (trouble.log !== null) process.stderr.write(`${trouble.log}\n`);
  return trouble;
}
