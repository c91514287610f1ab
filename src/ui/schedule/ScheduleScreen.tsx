'use client';

import { App, Button, Input } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { isOff, schedule, type DaysOff, type Job } from '@/core/making/schedule';
import { experienceBook } from '@/core/records/experience';
import { pace } from '@/core/records/pace';
import { counted, timeWords } from '@/core/words/figures';
import { setDueAction } from '@/server/actions/pieces';
import type { PieceToMake, ScheduleData } from '@/server/screens';
import { ask } from '../fields/ask';
import { saveFile } from '../paper/saveFile';
import { CountInput } from '../fields/CountInput';
import { useAtHand } from '../shell/atHand';
import { ScreenHeader } from '../shell/ScreenHeader';
import { changeSettings } from '../shell/settingsSync';
import { today } from '../shell/today';
import { AwayDays } from './AwayDays';
import { calendarFile } from './calendarFile';
import { dayWords } from './dayWords';
import styles from './schedule.module.css';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const MIN_MS = 60_000;
/** Weeks that the calendar shows. */
const WEEKS = 6;

/** When to make what: hours to go at one's own pace, shared out over the evenings there are. */
export function ScheduleScreen({ pieces }: ScheduleData) {
  const { settings, records } = useAtHand();
  const [all, setAll] = useState(false);
  const book = useMemo(() => experienceBook(records.map(({ record }) => record)), [records]);
  const own = useMemo(() => pace(records.map(({ record }) => record)), [records]);
  const wanted = pieces.filter(({ onMat, done, dueOn }) => (onMat && done < 1) || dueOn !== null);
  const others = pieces.filter((piece) => !wanted.includes(piece));
  const from = today();
  const { jobs, plan } = useMemo(() => {
    const toMake = wanted.flatMap(({ id, name, dueOn, structure, tripsLeft }): Job[] => {
      const tripMs = book(structure).pace?.tripMs ?? own.tripMs;
      return tripsLeft === null ? [] : [{ id, name, dueOn, minutes: (tripsLeft * tripMs) / MIN_MS }];
    });
    return { jobs: toMake, plan: schedule(toMake, settings.workingMin, from, settings.daysOff) };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [pieces, book, own, settings.workingMin, settings.daysOff, from]);
  const ends = new Map(plan.ends.map((end) => [end.id, end]));
  const late = plan.ends.filter(({ lateDays }) => lateDays > 0).length;
  const save = () => {
    saveFile(calendarFile(jobs, plan), 'ivy-loom.ics', 'text/calendar');
  };
  return (
    <>
      <ScreenHeader title="Schedule" told={late > 0 ? `${late} will be late` : undefined}>
        <Button onClick={save} disabled={plan.days.length === 0}>
          Save as a calendar file
        </Button>
      </ScreenHeader>
      <p className="soft">
        {own.pieces === 0
          ? `Hours to go are a guess, ${Math.round(own.tripMs / 1000)} seconds for each trip through a bead: your own pace is known as soon as you have worked at the mat.`
          : `Hours to go are at your own pace, ${(own.tripMs / 1000).toFixed(1)} seconds for each trip through a bead, by what you made of ${counted(own.pieces, 'piece')}; in a stitch that you have worked before, at your pace in it.`}
      </p>
      {wanted.length === 0 ? (
        <p className={`card ${styles.empty}`}>
          Nothing lies on the mat, and nothing is wanted by a day. Set a day below, or lay a plan on the mat:
          then you see here what to make when.
        </p>
      ) : (
        <div className={styles.scroll} tabIndex={0} role="region" aria-label="Pieces to make">
          <table className={`card ${styles.pieces}`}>
            <thead>
              <tr>
                <th scope="col">Piece</th>
                <th scope="col">Wanted by</th>
                <th scope="col">To go</th>
                <th scope="col">Done on</th>
              </tr>
            </thead>
            <tbody>
              {wanted.map((piece) => {
                const end = ends.get(piece.id);
                const minutes = jobs.find(({ id }) => id === piece.id)?.minutes;
                return (
                  <tr key={piece.id}>
                    <th scope="row">
                      <Link href={`/${piece.onMat ? 'make' : 'plan'}/${piece.id}`}>{piece.name}</Link>
                      {piece.onMat && (
                        <span className="soft"> on the mat, {Math.floor(100 * piece.done)} % done</span>
                      )}
                    </th>
                    <td>
                      <Due piece={piece} />
                    </td>
                    <td className="figures">
                      {minutes === undefined
                        ? 'no plan yet'
                        : minutes === 0
                          ? 'done'
                          : timeWords(minutes * MIN_MS)}
                    </td>
                    <td className={end && end.lateDays > 0 ? styles.late : undefined}>
                      {end?.doneOn
                        ? dayWords(end.doneOn)
                        : minutes === undefined
                          ? ''
                          : 'not within three years'}
                      {end &&
                        end.lateDays > 0 &&
                        `: ${end.lateDays} ${end.lateDays === 1 ? 'day' : 'days'} late`}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
      <Calendar from={from} days={plan.days} jobs={jobs} off={settings.daysOff} />
      <section className={`card ${styles.week}`} aria-labelledby="week">
        <h2 id="week">Minutes at the mat</h2>
        <div className={styles.hours}>
          {DAYS.map((day, i) => (
            <CountInput
              key={day}
              label={day}
              value={settings.workingMin[i] ?? 0}
              least={0}
              most={960}
              onChange={(minutes) =>
                changeSettings({ settings: { workingMin: settings.workingMin.with(i, minutes) } })
              }
            />
          ))}
        </div>
      </section>
      <AwayDays />
      {others.length > 0 && (
        <section className={`card ${styles.week}`} aria-labelledby="others">
          <h2 id="others">Others on the bench</h2>
          <ul className={styles.others}>
            {(all ? others : others.slice(0, 6)).map((piece) => (
              <li key={piece.id}>
                <Link href={`/plan/${piece.id}`}>{piece.name}</Link>
                <Due piece={piece} />
              </li>
            ))}
          </ul>
          {!all && others.length > 6 && (
            <Button onClick={() => setAll(true)}>Show all {others.length}</Button>
          )}
        </section>
      )}
    </>
  );
}

/** The day by which a piece is wanted. */
function Due({ piece: { id, name, dueOn } }: { readonly piece: PieceToMake }) {
  const { message } = App.useApp();
  const router = useRouter();
  const [day, setDay] = useState(dueOn ?? '');
  const keep = async (to: string) => {
    setDay(to);
    // Half a date is none yet.
    if (to !== '' && !/^\d{4}-\d\d-\d\d$/.test(to)) return;
    const answer = await ask(setDueAction, { id, dueOn: to === '' ? null : to });
    if (answer.ok) router.refresh();
    else void message.error(answer.message);
  };
  return (
    <Input
      type="date"
      aria-label={`${name}, wanted by`}
      className={styles.due}
      value={day}
      onChange={(event) => void keep(event.target.value)}
    />
  );
}

/** The weeks ahead, day by day. */
function Calendar({
  from,
  days,
  jobs,
  off,
}: {
  readonly from: string;
  readonly days: ReturnType<typeof schedule>['days'];
  readonly jobs: readonly Job[];
  readonly off: readonly DaysOff[];
}) {
  if (days.length === 0) return null;
  const work = new Map(days.map(({ on, jobs: today }) => [on, today]));
  const nameOf = new Map(jobs.map(({ id, name }) => [id, name]));
  const due = new Map<string, string[]>();
  for (const { name, dueOn } of jobs) if (dueOn) due.set(dueOn, [...(due.get(dueOn) ?? []), name]);
  const first = new Date(`${from}T00:00:00Z`);
  const monday = first.getTime() - ((first.getUTCDay() + 6) % 7) * 86_400_000;
  const onDay = (i: number) => new Date(monday + i * 86_400_000).toISOString().slice(0, 10);
  return (
    <section className={`card ${styles.week}`} aria-labelledby="calendar">
      <h2 id="calendar">The weeks ahead</h2>
      <div className={styles.scroll} tabIndex={0} role="region" aria-label="Day by day">
        <table className={styles.calendar}>
          <thead>
            <tr>
              {DAYS.map((day) => (
                <th key={day} scope="col">
                  {day.slice(0, 3)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {Array.from({ length: WEEKS }, (_, week) => (
              <tr key={week}>
                {DAYS.map((_day, i) => {
                  const on = onDay(week * 7 + i);
                  return (
                    <td
                      key={on}
                      className={on < from ? styles.past : undefined}
                      aria-current={on === from ? 'date' : undefined}
                    >
                      <span className={styles.day}>{dayWords(on).replace(/^\w+,? /, '')}</span>
                      {isOff(on, off) && <em>off</em>}
                      {(due.get(on) ?? []).map((name) => (
                        <strong key={name}>{name} is wanted</strong>
                      ))}
                      {(work.get(on) ?? []).map(({ id, minutes }) => (
                        <span key={id}>
                          {nameOf.get(id)}, {Math.round(minutes)} min
                        </span>
                      ))}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
