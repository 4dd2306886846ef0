// Node built-ins only: runs before anything is installed.
// usage: node scripts/ensure.mjs deps|build|chromium ...
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const log = (m) => console.log(`[ensure] ${m}`);
const die = (m) => {
  console.error(`[ensure] ${m}`);
  process.exit(1);
};
const run = (cmd, args, env = {}) => {
  log(`${cmd} ${args.join(' ')}`);
  const r = spawnSync(cmd, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  if (r.status !== 0) die(`${cmd} ended with ${r.status ?? r.error?.message ?? r.signal}`);
};
const stampIs = (file, value) => existsSync(file) && readFileSync(file, 'utf8') === value;
const putStamp = (file, value) => {
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, value);
};
/** Content, not mtime: a fresh clone has new times. */
function hashOf(paths, salt) {
  const h = createHash('sha256').update(salt);
  const walk = (p) => {
    if (!existsSync(p)) return;
    if (statSync(p).isDirectory()) {
      for (const n of readdirSync(p).sort())
        if (!['node_modules', 'dist', 'out', '.angular', 'icons.woff2', 'test'].includes(n)) walk(join(p, n));
    } else h.update(relative(root, p)).update('\0').update(readFileSync(p));
  };
  paths.forEach((p) => walk(join(root, p)));
  return h.digest('hex');
}
const abi = `${process.version} ${process.platform} ${process.arch} ${process.versions.modules}`;

const steps = {
  deps() {
    const stamp = join(root, 'node_modules/.ensure-deps');
    const want = hashOf(['package-lock.json'], abi);
    if (stampIs(stamp, want)) return;
    // npm's own file when started by `npm run`, else the npm on PATH
    const npm = process.env.npm_execpath?.endsWith('.js') ? [process.execPath, process.env.npm_execpath] : ['npm'];
    // better-sqlite3 is compiled: use the headers that came with node instead of a download
    const inc = join(dirname(dirname(process.execPath)), 'include/node/node_version.h');
    const env =
      process.env.npm_config_nodedir || !existsSync(inc) ? {} : { npm_config_nodedir: dirname(dirname(dirname(inc))) };
    run(npm[0], [...npm.slice(1), 'ci', '--no-audit', '--no-fund'], env);
    putStamp(stamp, want);
  },
  build() {
    const stamp = join(root, 'web/dist/.ensure-build');
    const want = hashOf(
      [
        'package-lock.json',
        'tsconfig.base.json',
        'scripts/build.mjs',
        'scripts/compress-site.mjs',
        'scripts/help.mjs',
        'scripts/licences.mjs',
        'docs/making.md',
        'core/src',
        'contract/src',
        'demo/src',
        'server',
        'web',
      ],
      abi,
    );
    if (stampIs(stamp, want) && existsSync(join(root, 'server/dist/main.mjs'))) return;
    run(process.execPath, ['scripts/build.mjs']);
    putStamp(stamp, want);
  },
  chromium() {
    const exe = process.env.CHROMIUM ?? '/usr/bin/chromium';
    if (existsSync(exe)) return;
    if (process.platform !== 'linux' || !existsSync('/usr/bin/apt-get') || process.getuid?.() !== 0)
      die(`No browser at ${exe}: install Chromium (Debian: apt-get install chromium) or set CHROMIUM to its path.`);
    const env = { DEBIAN_FRONTEND: 'noninteractive' };
    run('apt-get', ['update', '-q'], env);
    run('apt-get', ['install', '-y', '-q', '--no-install-recommends', 'chromium'], env);
    if (!existsSync(exe)) die(`apt-get put no browser at ${exe}`);
  },
  /** What tests of a home network, of HTTPS and of PDF files use; where it cannot be had they are left out, and say so. */
  network() {
    const missing = Object.entries({ ip: 'iproute2', openssl: 'openssl', pdftotext: 'poppler-utils' })
      .filter(([name]) => spawnSync('which', [name]).status !== 0)
      .map(([, pack]) => pack);
    if (!missing.length || !existsSync('/usr/bin/apt-get') || process.getuid?.() !== 0) return;
    log(`apt-get install ${missing.join(' ')}`);
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    for (const args of [
      ['update', '-q'],
      ['install', '-y', '-q', '--no-install-recommends', ...missing],
    ])
      spawnSync('apt-get', args, { stdio: 'inherit', env });
  },
};
for (const s of process.argv.slice(2)) (steps[s] ?? (() => die(`unknown step ${s}`)))();
