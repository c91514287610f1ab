import { expect, it } from 'vitest';
import { schedule, type Job } from '@/core/making/schedule';
import { calendarFile } from './calendarFile';

it('RFC 5545: an event for each day of work and for each day that something is wanted, whole days', () => {
  const jobs: Job[] = [
    { id: 'a', name: 'Slack water, for Maren', minutes: 90, dueOn: '2026-06-20' },
    { id: 'b', name: 'Tide rope', minutes: 30, dueOn: null },
  ];
  const file = calendarFile(jobs, schedule(jobs, [60, 60, 60, 60, 60, 60, 60], '2026-06-18'));
  const lines = file.replaceAll('\r\n ', '').split('\r\n');
  expect(lines[0]).toBe('BEGIN:VCALENDAR');
  expect(lines.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(4);
  expect(lines).toContain('DTSTART;VALUE=DATE:20260618');
  expect(lines).toContain('DTEND;VALUE=DATE:20260621');
  // A comma in a text is told as one.
  expect(lines).toContain('SUMMARY:Slack water\\, for Maren is wanted');
  expect(lines).toContain('SUMMARY:Tide rope: 30 min at the mat');
});
