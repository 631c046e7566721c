import type { ProgrammeDocument } from '../../../core/progress/programme-document.ts';

export type ProgrammeFile = { readonly programme: ProgrammeDocument } | { readonly issues: readonly string[] };

/** Reads a programme from a chosen file, JSON or a zip of texts; the readers are loaded when they are needed. */
export async function readProgrammeFile(file: File): Promise<ProgrammeFile> {
  try {
    const [{ parseProgramme }, { readBundle, unzipBundle }] = await Promise.all([
      import('../../../core/exchange/programme-json.ts'),
      import('../../../core/exchange/programme-bundle.ts'),
    ]);
    const bytes = new Uint8Array(await file.arrayBuffer());
    const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b;
    if (isZip) {
      const files = unzipBundle(bytes);
      if (!files) return { issues: ['This zip file can’t be read, or is larger than a programme.'] };
      return toFile(readBundle(files));
    }
    return toFile(parseProgramme(new TextDecoder().decode(bytes)));
  } catch {
    return { issues: ['The file couldn’t be read. Choose it again.'] };
  }
}

const toFile = (
  read:
    | { status: 'read'; programme: ProgrammeDocument }
    | { status: 'refused'; issues: readonly { path: string; message: string }[] },
): ProgrammeFile =>
  read.status === 'read'
    ? { programme: read.programme }
    : { issues: read.issues.map((i) => `${i.path} ${i.message}`.trim()) };
