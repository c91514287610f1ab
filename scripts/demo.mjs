// npm run demo: install, build, migrate, fill with the demo choir, serve.
import { build, packages, serve, typescript } from './setup.mjs';

const env = { IVYLOOM_DATA: process.env.IVYLOOM_DATA ?? '.ivyloom/demo' };
packages();
build();
typescript('src/cli/seed.ts', [], env);
const { child, url } = await serve({ port: process.env.PORT ?? 0, env });
console.log(`\nIvy Loom is ready: ${url}\nStop it with Ctrl+C. Your work is kept in ${env.IVYLOOM_DATA}.`);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
child.on('exit', (code) => process.exit(code ?? 0));
