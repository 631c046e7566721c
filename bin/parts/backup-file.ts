import { createHash, createHmac } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import tar from 'tar-stream';
import { number, object, string } from 'yup';

/** What a copy says of itself: how it was made, and what it takes to use it again. */
export interface Manifest {
  readonly format: 'ysodos-backup';
  readonly madeAt: string;
  /** The newest migration in it. */
  readonly schema: number;
  /** Tells whether a SECRET is the one that links were made with, without saying it. */
  readonly secretMark: string;
  readonly dumpSha256: string;
}

const MANIFEST = 'manifest.json';
const DUMP = 'database.dump';

const schema = object({
  format: string().oneOf(['ysodos-backup']).required(),
  madeAt: string().required(),
  schema: number().integer().min(1).required(),
  secretMark: string()
    .matches(/^[0-9a-f]{32}$/)
    .required(),
  dumpSha256: string()
    .matches(/^[0-9a-f]{64}$/)
    .required(),
});

export const secretMark = (secret: string): string =>
  createHmac('sha256', secret).update('ysodos backup').digest('hex').slice(0, 32);

async function sha256Of(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

/** Packs a dump and what is to be known of it into one file, which only its owner may read. */
export async function packBackup(
  file: string,
  dump: string,
  facts: Omit<Manifest, 'format' | 'dumpSha256'>,
): Promise<Manifest> {
  const manifest: Manifest = { format: 'ysodos-backup', ...facts, dumpSha256: await sha256Of(dump) };
  const pack = tar.pack();
  const written = pipeline(pack, createWriteStream(file, { mode: 0o600, flags: 'wx' }));
  pack.entry({ name: MANIFEST, mode: 0o600 }, `${JSON.stringify(manifest, null, 2)}\n`);
  const { size } = await stat(dump);
  await pipeline(createReadStream(dump), pack.entry({ name: DUMP, size, mode: 0o600 }));
  pack.finalize();
  await written;
  return manifest;
}

/** Takes a copy apart: its dump into a file of its own. Undefined where it is no copy, or isn't whole. */
export async function unpackBackup(file: string, dump: string): Promise<Manifest | undefined> {
  let manifest: unknown;
  let hasDump = false;
  const extract = tar.extract();
  const apart = (async () => {
    for await (const entry of extract) {
      if (entry.header.name === MANIFEST) manifest = JSON.parse(await textOf(entry));
      else if (entry.header.name === DUMP) {
        await pipeline(entry, createWriteStream(dump, { mode: 0o600 }));
        hasDump = true;
      } else entry.resume();
    }
  })();
  try {
    await Promise.all([pipeline(createReadStream(file), extract), apart]);
    if (!hasDump || !schema.isValidSync(manifest)) return undefined;
  } catch {
    return undefined;
  }
  const own = manifest as Manifest;
  return own.dumpSha256 === (await sha256Of(dump)) ? own : undefined;
}

async function textOf(stream: AsyncIterable<unknown>): Promise<string> {
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks).toString('utf8');
}
