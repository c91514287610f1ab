'use client';

import { createCache, extractStyle, StyleProvider } from '@ant-design/cssinjs';
import { App, ConfigProvider } from 'antd';
import { useServerInsertedHTML } from 'next/navigation';
import { useMemo, useState, type ReactNode } from 'react';
import type { LengthUnit } from '@/core/length/length';
import type { Settings } from '@/core/settings';
import type { StoredSwatch } from '@/server/screens';
import { AtHandProvider } from './atHand';
import { LengthsProvider } from './lengths';
import { themeBy } from './theme';
import { useLamp } from './useLamp';

/** Ant Design with our theme and the page's nonce, and lengths in the weaver's unit. */
export function Providers({
  nonce: fresh,
  lengthUnit,
  settings,
  swatches,
  children,
}: {
  nonce: string;
  lengthUnit: LengthUnit;
  settings: Settings;
  swatches: readonly StoredSwatch[];
  children: ReactNode;
}) {
  const [cache] = useState(createCache);
  // After a server action the layout carries a new nonce, but the page still runs under its first policy.
  const [nonce] = useState(fresh);
  useServerInsertedHTML(() => (
    <style nonce={nonce} id="antd-styles" dangerouslySetInnerHTML={{ __html: extractStyle(cache, true) }} />
  ));
  const lamp = useLamp(settings.theme);
  const theme = useMemo(() => themeBy(lamp), [lamp]);
  return (
    <StyleProvider cache={cache}>
      <ConfigProvider theme={theme} csp={{ nonce }} wave={{ disabled: true }}>
        <App notification={{ placement: 'bottomLeft' }}>
          <LengthsProvider unit={lengthUnit} denominator={settings.denominator} decimal={settings.decimal}>
            <AtHandProvider settings={settings} swatches={swatches}>
              {children}
            </AtHandProvider>
          </LengthsProvider>
        </App>
      </ConfigProvider>
    </StyleProvider>
  );
}
