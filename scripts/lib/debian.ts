/** What comes from Debian's packages: the database server; for tests, Chromium and what reads sheets and printed pages. */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { say, stop } from './say';

const SERVERS = '/usr/lib/postgresql';

/** The folder with initdb, pg_ctl and postgres; newest version first. Null if no server is installed. */
export function postgresFolder(): string | null {
  if (!fs.existsSync(SERVERS)) return null;
  const versions = fs.readdirSync(SERVERS).sort((a, b) => Number(b) - Number(a));
  const found = versions
    .map((version) => `${SERVERS}/${version}/bin`)
    .find((bin) => fs.existsSync(`${bin}/initdb`));
  return found ?? null;
}

export function requirePostgres(): string {
  return (
    postgresFolder() ??
    (installPackages(['postgresql'], 'the PostgreSQL server'), postgresFolder()) ??
    stop('PostgreSQL was installed, but its server programs were not found under /usr/lib/postgresql.')
  );
}

export const CHROMIUM = '/usr/bin/chromium';

export function requireChromium(): void {
  if (!fs.existsSync(CHROMIUM)) installPackages(['chromium'], 'Chromium for the browser tests');
}

/** For tests only: sheets are recalculated and printed pages read by programs that are not ours. */
export function requireReaders(): void {
  const packages = [
    ...(fs.existsSync('/usr/bin/soffice') ? [] : ['libreoffice-calc-nogui']),
    ...(fs.existsSync('/usr/bin/pdftotext') ? [] : ['poppler-utils']),
  ];
  if (packages.length > 0) installPackages(packages, 'LibreOffice and pdftotext for the tests of exports');
}

function installPackages(packages: readonly string[], what: string): void {
  const command = `apt-get install -y ${packages.join(' ')}`;
  if (process.getuid?.() !== 0) stop(`Wick Tally needs ${what}. Run this as root once: ${command}`);
  say(`Installing ${what} …`);
  // Debian would start a cluster of its own for the server; this product brings its own.
  if (packages.includes('postgresql')) {
    fs.mkdirSync('/etc/postgresql-common', { recursive: true });
    const settings = '/etc/postgresql-common/createcluster.conf';
    if (!fs.existsSync(settings)) fs.writeFileSync(settings, 'create_main_cluster = false\n');
  }
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  spawnSync('apt-get', ['update', '-qq'], { stdio: 'ignore', env });
  const result = spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env,
  });
  if (result.error || result.status !== 0)
    stop(`${what} could not be installed. Run this as root and try again: ${command}`);
}
