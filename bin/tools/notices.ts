/** Writes NOTICES.md: what ships, with its licence. `npx tsx bin/tools/notices.ts`; a test holds it to package-lock.json. */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';

interface Locked {
  readonly version?: string;
  readonly license?: string;
  readonly dev?: boolean;
  readonly devOptional?: boolean;
}

const UNKNOWN = 'see the package';

/** The licence of a package: as the lock says, else as it says itself, else as the text does that it brings. */
function licenceOf(path: string, { license }: Locked): string {
  if (license !== undefined) return license;
  const file = `${path}/package.json`;
  if (!existsSync(file)) return UNKNOWN;
  const own = JSON.parse(readFileSync(file, 'utf8')) as { license?: string };
  if (own.license !== undefined) return own.license;
  const text = existsSync(`${path}/LICENSE`) ? readFileSync(`${path}/LICENSE`, 'utf8') : '';
  return /\bMIT\b|Permission is hereby granted, free of charge/.test(text) ? 'MIT' : UNKNOWN;
}

/** The notices as they should stand, from what is locked: on whatever machine, what ships for any. */
export function buildNotices(): string {
  const { dependencies } = JSON.parse(readFileSync('package.json', 'utf8')) as { dependencies: Record<string, string> };
  const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8')) as { packages: Record<string, Locked> };
  const lines = new Map<string, string>();
  for (const [path, locked] of Object.entries(packages)) {
    if (path === '' || locked.dev === true || locked.devOptional === true) continue;
    const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length);
    const how = Object.hasOwn(dependencies, name) ? 'directly' : '';
    lines.set(`${name} ${locked.version}`, `| ${name} | ${locked.version} | ${licenceOf(path, locked)} | ${how} |`);
  }
  const rows = [...lines].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, line]) => line);
  return `# What ships

Packages that the application runs with, and those that they bring; each has its own licence text in node_modules. The fonts, Atkinson
Hyperlegible Next and Bricolage Grotesque, are under the SIL Open Font License 1.1; DejaVu Sans, on paper, under the licences of Bitstream
Vera and Arev. Made by bin/tools/notices.ts; \`npm run sbom\` says the same for programs (CycloneDX).

| package | version | licence | used |
| --- | --- | --- | --- |
${rows.join('\n')}
`;
}

if (process.argv[1]?.endsWith('notices.ts')) writeFileSync('NOTICES.md', buildNotices());
