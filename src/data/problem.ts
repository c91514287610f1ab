/** Something about the data that whoever starts the program must know: its message says what is wrong and what to do. */
export class DataProblem extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options);
    this.name = 'DataProblem';
  }
}
