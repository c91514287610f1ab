// npm run dev: the same, reloading as you edit, on its own data folder.
import { packages, serve, sheet, typescript } from './setup.mjs';

const env = { IVYLOOM_DATA: process.env.IVYLOOM_DATA ?? '.ivyloom/dev' };
packages();
sheet();
typescript('src/cli/seed.ts', [], env);
const { child } = await serve({ port: process.env.PORT ?? 3000, env, mode: 'dev' });
child.on('exit', (code) => process.exit(code ?? 0));
