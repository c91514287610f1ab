/** Something to be told: in a few words, and then what it means and what to do. */
export interface Said {
  readonly title: string;
  readonly text: string;
}
