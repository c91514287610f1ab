// A bare page of the same framework and component library, to measure ours against. Built by bench/browser.ts.
const config = { reactCompiler: true, poweredByHeader: false, devIndicators: false };

export default config;
