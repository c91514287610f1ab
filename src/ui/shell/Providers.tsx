'use client';

import { createCache, extractStyle, StyleProvider } from '@ant-design/cssinjs';
import { App, ConfigProvider } from 'antd';
import { useServerInsertedHTML } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import type { LengthUnit } from '@/core/length/length';
import { LengthsProvider } from './lengths';
import { theme } from './theme';

/** Ant Design with our theme and the page's nonce, and lengths in the weaver's unit. */
export function Providers({
  nonce: fresh,
  unit,
  children,
}: {
  nonce: string;
  unit: LengthUnit;
  children: ReactNode;
}) {
  const [cache] = useState(createCache);
  // After a server action the layout carries a new nonce, but the page still runs under its first policy.
  const [nonce] = useState(fresh);
  useServerInsertedHTML(() => (
    <style nonce={nonce} id="antd-styles" dangerouslySetInnerHTML={{ __html: extractStyle(cache, true) }} />
  ));
  return (
    <StyleProvider cache={cache}>
      <ConfigProvider theme={theme} csp={{ nonce }} wave={{ disabled: true }}>
        <App notification={{ placement: 'bottomLeft' }}>
          <LengthsProvider unit={unit}>{children}</LengthsProvider>
        </App>
      </ConfigProvider>
    </StyleProvider>
  );
}
