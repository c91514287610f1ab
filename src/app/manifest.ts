import type { MetadataRoute } from 'next';

/** What a browser needs to install the program. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Ivy Loom',
    short_name: 'Ivy Loom',
    description: 'Plans off-loom beadwork, to the millimetre and the bead.',
    start_url: '/',
    display: 'standalone',
    background_color: '#f5f1e6',
    theme_color: '#1f3a2e',
    icons: [
      { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
    ],
  };
}
