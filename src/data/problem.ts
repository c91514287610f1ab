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

/** Something about the data that whoever starts the program must know: its message says what is wrong and what to do. */
export class DataProblem extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options);
    this.name = 'DataProblem';
  }
}
