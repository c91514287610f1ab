// Ways in which a data folder can be damaged, by a disk, a copy that was cut short, or a tidy hand.
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';

const filesOf = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name))
    .sort();

/** Overwrites a stretch of a file with what a failing disk gives. */
function garble(file: string, random: () => number): void {
  const bytes = readFileSync(file);
  const from = Math.floor(random() * bytes.length);
  for (let i = from; i < Math.min(bytes.length, from + 4096); i++) bytes[i] = Math.floor(random() * 256);
  writeFileSync(file, bytes);
}

const largest = (files: readonly string[]) => files.toSorted((a, b) => statSync(b).size - statSync(a).size);

/** Each takes a closed database's folder and a source of numbers that are the same every time. */
export const DAMAGES: Readonly<Record<string, (db: string, random: () => number) => void>> = {
  'its control file is empty': (db) => writeFileSync(join(db, 'global/pg_control'), ''),
  'its control file is gone': (db) => rmSync(join(db, 'global/pg_control')),
  'its version is gone': (db) => rmSync(join(db, 'PG_VERSION')),
  'its log is gone': (db) => {
    rmSync(join(db, 'pg_wal'), { recursive: true });
    mkdirSync(join(db, 'pg_wal'));
  },
  'its log is garbled': (db, random) => {
    for (const file of filesOf(join(db, 'pg_wal'))) garble(file, random);
  },
  'its tables are cut short': (db) => {
    for (const file of filesOf(join(db, 'base'))) truncateSync(file, Math.floor(statSync(file).size / 2));
  },
  'its largest tables are garbled': (db, random) => {
    for (const file of largest(filesOf(join(db, 'base'))).slice(0, 40))
      for (let i = 0; i < 8; i++) garble(file, random);
  },
  'its catalogue is gone': (db) => rmSync(join(db, 'global'), { recursive: true }),
  'it is emptied': (db) => {
    rmSync(db, { recursive: true });
    mkdirSync(db);
  },
  'it is gone': (db) => rmSync(db, { recursive: true }),
  'a file stands in its place': (db) => {
    rmSync(db, { recursive: true });
    writeFileSync(db, 'not a folder');
  },
  'any one file is garbled': (db, random) => {
    const files = filesOf(db).filter((file) => statSync(file).size > 0);
    const file = files[Math.floor(random() * files.length)];
    if (file && existsSync(file)) garble(file, random);
  },
};
