import type { NextConfig } from 'next';

const config: NextConfig = {
  reactCompiler: true,
  poweredByHeader: false,
  // PGlite finds its own files beside itself; bundling it breaks that.
  serverExternalPackages: ['@electric-sql/pglite', 'pg'],
  devIndicators: false,
  experimental: {
    // A whole table of materials is brought in by one action.
    serverActions: { bodySizeLimit: '5mb' },
    // Served from this machine: a request costs more than the bytes that another screen would have saved.
    turbopackChunking: {
      clusters: [[/./]],
      firstPageLoadPriority: 1,
      requestCost: 20_000_000,
      maxChunkCountPerGroup: 3,
      maxMergeChunkSize: 20_000_000,
      minChunkSize: 500_000,
    },
    turbopackCjsTreeShaking: true,
    turbopackCjsScopeHoisting: true,
    turbopackCrossModuleConstants: true,
  },
  // Types are a gate of their own in npm test; checked twice, they would take as long again.
  typescript: { ignoreBuildErrors: true },
};

export default config;
