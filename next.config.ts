import type { NextConfig } from 'next';

const config: NextConfig = {
  reactCompiler: true,
  poweredByHeader: false,
  // PGlite finds its own files beside itself; bundling it breaks that.
  serverExternalPackages: ['@electric-sql/pglite', 'pg'],
  devIndicators: false,
};

export default config;
