'use client';

import {
  AppstoreOutlined,
  CalendarOutlined,
  ColumnWidthOutlined,
  FolderOutlined,
  InboxOutlined,
  PictureOutlined,
  SettingOutlined,
  TeamOutlined,
} from '@ant-design/icons';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useState, type ReactNode } from 'react';
import { undelivered } from '../outbox/undelivered';
import { deliverSettings } from './settingsSync';
import { GoTo } from '../shortcuts/GoTo';
import { useShortcut } from '../shortcuts/useShortcut';
import { useFocusKept } from './focus';
import { useLengths } from './lengths';
import { keepProgram } from './offline';
import styles from './Shell.module.css';

const ShortcutSheet = dynamic(() => import('../shortcuts/ShortcutSheet').then((m) => m.ShortcutSheet));

const PLACES = [
  { href: '/', name: 'Bench', icon: <AppstoreOutlined aria-hidden /> },
  { href: '/schedule', name: 'Schedule', icon: <CalendarOutlined aria-hidden /> },
  { href: '/gallery', name: 'Gallery', icon: <PictureOutlined aria-hidden /> },
  { href: '/people', name: 'People', icon: <TeamOutlined aria-hidden /> },
  { href: '/swatches', name: 'Swatches', icon: <ColumnWidthOutlined aria-hidden /> },
  { href: '/materials', name: 'Materials', icon: <InboxOutlined aria-hidden /> },
  { href: '/files', name: 'Files', icon: <FolderOutlined aria-hidden /> },
  { href: '/settings', name: 'Settings', icon: <SettingOutlined aria-hidden /> },
] as const;

/** The frame of every screen: the rail at the left, the screen beside it. */
export function Shell({ children }: { children: ReactNode }) {
  const router = useRouter();
  const path = usePathname();
  const [sheet, setSheet] = useState(false);
  useFocusKept();
  useShortcut('sheet', () => setSheet(true));
  useShortcut('bench', () => router.push('/'));
  useShortcut('start', () => router.push('/?start'));
  useShortcut('glossary', () => router.push('/glossary'));
  useEffect(() => {
    // What a closed window still owed goes to the server at the next start, whichever screen that is.
    void undelivered.deliver().then((touched) => {
      if (touched.size > 0) router.refresh();
    });
    void deliverSettings();
    keepProgram();
  }, [router]);

  return (
    <div className={styles.shell}>
      <a className={styles.skip} href="#screen">
        Skip to the work
      </a>
      <nav className={styles.rail} aria-label="Ivy Loom">
        <Link href="/" className={styles.name}>
          Ivy
          <br />
          Loom
        </Link>
        {PLACES.map(({ href, name, icon }) => (
          <Link
            key={href}
            href={href}
            className={styles.place}
            aria-current={path === href ? 'page' : href !== '/' && path.startsWith(href) ? 'true' : undefined}
          >
            {icon}
            {name}
          </Link>
        ))}
        <div className={styles.help}>
          <Link
            href="/glossary"
            className={styles.small}
            aria-current={path === '/glossary' ? 'page' : undefined}
          >
            Glossary
          </Link>
          <button type="button" className={styles.small} onClick={() => setSheet(true)}>
            Keyboard
          </button>
        </div>
        <UnitSwitch />
      </nav>
      <GoTo />
      {sheet && <ShortcutSheet onClose={() => setSheet(false)} />}
      <main id="screen" className={styles.screen} tabIndex={-1}>
        {children}
      </main>
    </div>
  );
}

function UnitSwitch() {
  const { unit, setUnit } = useLengths();
  return (
    <fieldset className={styles.units}>
      <legend>Lengths in</legend>
      {(['in', 'cm'] as const).map((one) => (
        <label key={one} className={one === unit ? styles.unitOn : styles.unit}>
          <input type="radio" name="unit" value={one} checked={one === unit} onChange={() => setUnit(one)} />
          {one}
        </label>
      ))}
    </fieldset>
  );
}
