'use client';

import { createCache, extractStyle, StyleProvider } from '@ant-design/cssinjs';
import { App, ConfigProvider } from 'antd';
import { useServerInsertedHTML } from 'next/navigation';
import { useState } from 'react';

export function Providers({ children }) {
  const [cache] = useState(createCache);
  useServerInsertedHTML(() => (
    <style id="antd-styles" dangerouslySetInnerHTML={{ __html: extractStyle(cache, true) }} />
  ));
  return (
    <StyleProvider cache={cache}>
      <ConfigProvider theme={{ zeroRuntime: true, cssVar: { key: 'bare' } }} wave={{ disabled: true }}>
        <App>{children}</App>
      </ConfigProvider>
    </StyleProvider>
  );
}
