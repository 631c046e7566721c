/** Writes NOTICES.md: what ships, with its licence. `npx tsx bin/notices.ts`; a test holds it to package.json. */
import { readFileSync, writeFileSync } from 'node:fs';

interface Package {
  readonly name: string;
  readonly version: string;
  readonly license?: string;
}

const read = (name: string) => JSON.parse(readFileSync(`node_modules/${name}/package.json`, 'utf8')) as Package;

/** The notices as they should stand, from what is installed. */
export function buildNotices(): string {
  const { dependencies } = JSON.parse(readFileSync('package.json', 'utf8')) as { dependencies: Record<string, string> };
  const rows = Object.keys(dependencies)
    .sort()
    .map((name) => {
      const { version, license } = read(name);
      return `| ${name} | ${version} | ${license ?? 'see the package'} |`;
    });
  return `# What ships

Packages that the application runs with, directly; each brings its own licence text in node_modules. The fonts, Atkinson
Hyperlegible Next and Bricolage Grotesque, are under the SIL Open Font License 1.1; DejaVu Sans, on paper, under the licences of Bitstream
Vera and Arev. Made by bin/notices.ts.

| package | version | licence |
| --- | --- | --- |
${rows.join('\n')}
`;
}

if (process.argv[1]?.endsWith('notices.ts')) writeFileSync('NOTICES.md', buildNotices());
