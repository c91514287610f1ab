import type { NextConfig } from 'next';

const config: NextConfig = {
  reactCompiler: true,
  poweredByHeader: false,
  // PGlite finds its own files beside itself; bundling it breaks that.
  serverExternalPackages: ['@electric-sql/pglite', 'pg'],
  devIndicators: false,
  // Types are a gate of their own in npm test; checked twice, they would take as long again.
  typescript: { ignoreBuildErrors: true },
};

export default config;
