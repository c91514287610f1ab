import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

/** Numbered in the order they were made: clocks are set back and forth. The first versions told the time only. */
const NAME = /^ivyloom-(?:(\d{6})-)?\d{4}-\d{2}-\d{2}T\d{6}Z\.tar\.gz$/;
const numberOf = (name: string): number => Number(NAME.exec(name)?.[1] ?? 0);

export const backupFolder = (folder: string): string => join(folder, 'backups');

function namesOf(folder: string): string[] {
  const place = backupFolder(folder);
  if (!existsSync(place)) return [];
  return readdirSync(place)
    .filter((name) => NAME.test(name))
    .sort((a, b) => numberOf(b) - numberOf(a) || (a < b ? 1 : -1));
}

/** Backups of a data folder, the last made first. */
export const backups = (folder: string): string[] =>
  namesOf(folder).map((name) => join(backupFolder(folder), name));

/** When a backup says it was made: "2026-06-24 01:00 UTC". */
export const madeOn = (file: string): string =>
  /(\d{4}-\d{2}-\d{2})T(\d{2})(\d{2})\d{2}Z/
    .exec(file)
    ?.slice(1, 4)
    .join(' ')
    .replace(/ (\d\d)$/, ':$1 UTC') ?? '';

/** The number of the last backup that was made; 0 where there is none. */
export const lastNumber = (folder: string): number => Math.max(0, ...namesOf(folder).map(numberOf));
