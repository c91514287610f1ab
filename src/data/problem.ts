/** What the operating system says of a folder that cannot be written, in words; null for anything else. */
export function wordsOfSystem(error: unknown, folder: string): DataProblem | null {
  const { code } = error as NodeJS.ErrnoException;
  const elsewhere = 'or start on another folder: IVYLOOM_DATA=/path/to/folder';
  if (code === 'EROFS' || code === 'EACCES' || code === 'EPERM')
    return new DataProblem(
      `The data folder ${folder} can only be read, not written. Nothing was changed. Make it writable, ${elsewhere}.`,
      { cause: error },
    );
  if (code === 'ENOSPC' || code === 'EDQUOT')
    return new DataProblem(
      `The disk that holds ${folder} is full. Nothing was changed. Free some space, ${elsewhere}.`,
      { cause: error },
    );
  return null;
}

interface Coded {
  readonly code?: unknown;
  readonly message?: unknown;
  readonly cause?: unknown;
}

/** Codes and words of an error and all that caused it. */
export function* causes(error: unknown): Generator<{ readonly code: string; readonly message: string }> {
  let next = error;
  for (let depth = 0; typeof next === 'object' && next !== null && depth < 10; depth++) {
    const { code, message, cause } = next as Coded;
    yield { code: String(code ?? ''), message: String(message ?? '') };
    next = cause;
  }
}

/** Codes by which a database that does not answer is told. */
export const NO_ANSWER = /^(08...|57P0.|ECONNREFUSED|ECONNRESET|ENOTFOUND|EAI_AGAIN|ETIMEDOUT|EHOSTUNREACH)$/;

const INSTEAD = 'without DATABASE_URL the program keeps its data in a folder';

/** What stands between the program and a server, by the codes of PostgreSQL (its manual, appendix A) and of the operating system. */
const OF_SERVER: readonly (readonly [RegExp, string])[] = [
  [
    NO_ANSWER,
    `The PostgreSQL server that DATABASE_URL names does not answer. Start it, or mend the address; ${INSTEAD}.`,
  ],
  [
    /^(28...)$/,
    `The PostgreSQL server refuses the name or the password in DATABASE_URL. Mend them; ${INSTEAD}.`,
  ],
  [
    /^3D000$/,
    `The PostgreSQL server has no database of the name in DATABASE_URL. Make it there (createdb), or mend the name; ${INSTEAD}.`,
  ],
  [
    /^42501$/,
    `The name in DATABASE_URL may make no tables in that database. Let it own the database; ${INSTEAD}.`,
  ],
];

/** What a server says that cannot be used, in words; null for anything else. */
export function wordsOfServer(error: unknown): DataProblem | null {
  for (const { code } of causes(error)) {
    const words = OF_SERVER.find(([of]) => of.test(code))?.[1];
    if (words) return new DataProblem(words, { cause: error });
  }
  return null;
}

/** Something about the data that whoever starts the program must know: its message says what is wrong and what to do. */
export class DataProblem extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options);
    this.name = 'DataProblem';
  }
}
