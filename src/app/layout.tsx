import '@fontsource/atkinson-hyperlegible-next/400.css';
import '@fontsource/atkinson-hyperlegible-next/700.css';
import '@fontsource/fraunces/600.css';
import './globals.css';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { atHand } from '@/server/screens';
import { Providers } from '@/ui/shell/Providers';
import { Shell } from '@/ui/shell/Shell';

export const metadata: Metadata = {
  title: { default: 'Ivy Loom', template: '%s · Ivy Loom' },
  description: 'Plans off-loom beadwork, to the millimetre and the bead.',
};

export default async function Layout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? '';
  const kept = await atHand();
  const { theme } = kept.settings;
  return (
    <html lang="en" data-theme={theme === 'device' ? undefined : theme}>
      <head>
        {/* Ant Design's static sheet: served once and cached, instead of with every page. */}
        {/* eslint-disable-next-line @next/next/no-css-tags */}
        <link rel="stylesheet" href="/antd.css" />
      </head>
      <body>
        <Providers nonce={nonce} {...kept}>
          <Shell>{children}</Shell>
        </Providers>
      </body>
    </html>
  );
}
