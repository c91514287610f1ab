// Ant Design's static sheet holds the style of every component: ours takes what the program uses, a tenth of it.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const SHEET = 'node_modules/antd/dist/antd.css';

/** Class names that a component brings along beside its own: its parts, and what it floats on. */
const BRINGS = {
  App: ['app'],
  Button: ['btn'],
  Dropdown: ['dropdown'],
  Input: ['input'],
  Modal: ['modal', 'zoom', 'fade'],
  Popover: ['popover'],
  Select: ['select', 'empty'],
  Slider: ['slider', 'tooltip'],
  Switch: ['switch'],
};
/** What useApp gives: messages. */
const ALWAYS = ['message', 'css', 'motion', 'scroll'];
/** Not components, or without a look of their own. */
const WITHOUT = new Set(['ConfigProvider', 'theme', 'type ThemeConfig']);

/** The components that the program imports. */
function used(folder = 'src') {
  const names = new Set();
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true })) {
    if (!/\.tsx?$/.test(entry.name)) continue;
    const text = readFileSync(join(entry.parentPath ?? entry.path, entry.name), 'utf8');
    for (const [, list] of text.matchAll(/import \{([^}]*)\} from 'antd'/g))
      for (const name of list.split(',')) names.add(name.trim().replace(/ as .*/, ''));
  }
  return [...names].filter((name) => name !== '' && !WITHOUT.has(name));
}

/** Writes the part of the sheet that the program uses. Throws for a component that is not told of above. */
export async function writeAntdSheet(file) {
  const { default: postcss } = await import('postcss');
  const kept = new Set(
    used().flatMap((name) => {
      if (!BRINGS[name]) throw new Error(`Say in scripts/antdSheet.mjs which classes <${name}> brings.`);
      return BRINGS[name];
    }),
  );
  for (const name of ALWAYS) kept.add(name);
  const sheet = postcss.parse(readFileSync(SHEET, 'utf8'));
  const wanted = (selector) => {
    const components = [...selector.matchAll(/\.ant-([a-z]+)/g)].map(([, name]) => name);
    return components.every((name) => kept.has(name));
  };
  sheet.walkRules((rule) => {
    if (rule.parent?.type === 'atrule' && /keyframes/.test(rule.parent.name)) return;
    const selectors = rule.selectors.filter(wanted);
    if (selectors.length === 0) rule.remove();
    else if (selectors.length < rule.selectors.length) rule.selectors = selectors;
  });
  sheet.walkAtRules((rule) => {
    if (rule.nodes?.length === 0) rule.remove();
  });
  writeFileSync(file, sheet.toString());
}
