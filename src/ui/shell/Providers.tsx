'use client';

import { createCache, extractStyle, StyleProvider } from '@ant-design/cssinjs';
import { App, ConfigProvider } from 'antd';
import { useServerInsertedHTML } from 'next/navigation';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import type { AtHand } from '@/server/screens';
import { AtHandProvider } from './atHand';
import { LengthsProvider } from './lengths';
import { useSettingsNow } from './settingsSync';
import { themeBy } from './theme';
import { useLamp } from './useLamp';

const onServer = new Map<boolean, ReturnType<typeof createCache>>();

/** What Ant Design keeps of a theme. It is the same for every visit: the server works it out once. */
function styleCache(lamp: boolean) {
  if (typeof window !== 'undefined') return createCache();
  const cache = onServer.get(lamp) ?? createCache();
  onServer.set(lamp, cache);
  return cache;
}

/** Ant Design with our theme and the page's nonce, and lengths in the weaver's unit. */
export function Providers({
  nonce: fresh,
  swatches,
  unreadableSwatches,
  records,
  children,
  ...kept
}: AtHand & {
  nonce: string;
  children: ReactNode;
}) {
  const { lengthUnit, settings } = useSettingsNow(kept);
  const lamp = useLamp(settings.theme);
  const [cache] = useState(() => styleCache(lamp));
  // After a server action the layout carries a new nonce, but the page still runs under its first policy.
  const [nonce] = useState(fresh);
  const sent = useRef(false);
  useServerInsertedHTML(() => {
    // Asked for once for every part of the page that is sent; the style is whole from the first on.
    if (sent.current) return null;
    sent.current = true;
    return (
      <style nonce={nonce} id="antd-styles" dangerouslySetInnerHTML={{ __html: extractStyle(cache, true) }} />
    );
  });
  const theme = useMemo(() => themeBy(lamp), [lamp]);
  return (
    <StyleProvider cache={cache}>
      <ConfigProvider theme={theme} csp={{ nonce }} wave={{ disabled: true }}>
        {/* Long enough to be read by whoever looks up from her beads. */}
        <App notification={{ placement: 'bottomLeft' }} message={{ duration: 8 }}>
          <LengthsProvider unit={lengthUnit} denominator={settings.denominator} decimal={settings.decimal}>
            <AtHandProvider
              settings={settings}
              swatches={swatches}
              unreadableSwatches={unreadableSwatches}
              records={records}
            >
              {children}
            </AtHandProvider>
          </LengthsProvider>
        </App>
      </ConfigProvider>
    </StyleProvider>
  );
}
