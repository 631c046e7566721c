import { simpleParser } from 'mailparser';

export interface DeliveryReport {
  readonly action: 'failed' | 'delayed' | 'delivered' | 'relayed' | 'expanded';
  /** `5.1.1` */
  readonly status: string;
  readonly reason: string;
}

const ACTIONS: readonly DeliveryReport['action'][] = ['failed', 'delayed', 'delivered', 'relayed', 'expanded'];
const MOST_REASON = 250;
/** So much of a report's fields is looked at: they are short, and come first. */
const MOST_FIELDS = 16_000;

/**
 * The fields of a report by their names in lower case, the first of each: line by line, a line that begins with a blank going on with
 * the one before (RFC 5322, 2.2.3).
 */
function readFields(text: string): Map<string, string> {
  const fields = new Map<string, string>();
  let name = '';
  for (const line of text.slice(0, MOST_FIELDS).split('\n')) {
    if (line.startsWith(' ') || line.startsWith('\t')) {
      if (name !== '') fields.set(name, `${fields.get(name)} ${line.trim()}`);
      continue;
    }
    const colon = line.indexOf(':');
    const own = colon < 0 ? '' : line.slice(0, colon).trim().toLowerCase();
    name = own === '' || fields.has(own) ? '' : own;
    if (name !== '') fields.set(name, line.slice(colon + 1).trim());
  }
  return fields;
}

/** `smtp; 550 no such user` without its kind. */
function withoutKind(diagnosis: string): string {
  const end = diagnosis.indexOf(';');
  return end > 0 && end < 40 && !diagnosis.slice(0, end).includes(' ') ? diagnosis.slice(end + 1).trim() : diagnosis;
}

/**
 * Reads the machine's part of a delivery report (RFC 3464): of its first recipient the action, the status and the diagnosis. Undefined
 * where the mail is no report.
 */
export async function readDeliveryReport(mail: Buffer | string): Promise<DeliveryReport | undefined> {
  const parsed = await simpleParser(mail, {
    keepDeliveryStatus: true,
    skipHtmlToText: true,
    skipTextToHtml: true,
    skipImageLinks: true,
  });
  const part = parsed.attachments.find((a) => a.contentType === 'message/delivery-status');
  if (!part) return undefined;
  const fields = readFields(part.content.toString('utf8'));
  const action = ACTIONS.find((a) => a === fields.get('action')?.toLowerCase());
  if (!action) return undefined;
  const status = fields.get('status');
  const diagnosis = fields.get('diagnostic-code');
  return {
    action,
    status: /^\d\.\d{1,3}\.\d{1,3}/.exec(status ?? '')?.[0] ?? '',
    reason: (diagnosis === undefined ? (status ?? 'no reason was given') : withoutKind(diagnosis))
      .slice(0, 2 * MOST_REASON)
      .split(/\s/)
      .filter(Boolean)
      .join(' ')
      .slice(0, MOST_REASON),
  };
}
