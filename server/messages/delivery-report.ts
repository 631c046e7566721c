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

type Fields = ReadonlyMap<string, string>;

/**
 * The groups of a report's fields, of the message first and then of each recipient, by their names in lower case, the first of each: line
 * by line, a line that begins with a blank going on with the one before (RFC 5322, 2.2.3), an empty one ending a group (RFC 3464, 2.1).
 */
function readGroups(text: string): Fields[] {
  const groups: Map<string, string>[] = [];
  let fields: Map<string, string> | undefined;
  let name = '';
  for (const line of text.slice(0, MOST_FIELDS).split(/\r?\n/)) {
    if (line.trim() === '') {
      fields = undefined;
      continue;
    }
    if (!fields) {
      fields = new Map<string, string>();
      groups.push(fields);
    }
    if (line.startsWith(' ') || line.startsWith('\t')) {
      if (name !== '') fields.set(name, `${fields.get(name) ?? ''} ${line.trim()}`.trim());
      continue;
    }
    const colon = line.indexOf(':');
    const own = colon < 0 ? '' : line.slice(0, colon).trim().toLowerCase();
    name = own === '' || fields.has(own) ? '' : own;
    if (name !== '') fields.set(name, line.slice(colon + 1).trim());
  }
  return groups;
}

/** What a recipient's group says happened; comments in brackets may stand behind the word (RFC 5322, 3.2.2). */
const actionOf = (fields: Fields): DeliveryReport['action'] | undefined => {
  const word = /^[a-z]+/.exec((fields.get('action') ?? '').toLowerCase())?.[0];
  return ACTIONS.find((a) => a === word);
};

const ENHANCED = /(?<![\d.])[245]\.\d{1,3}\.\d{1,3}(?![\d.])/;

/** The enhanced status: where the field says no more than its class (`5.0.0`), that of the diagnosis, if it has one. */
function statusOf(fields: Fields): string {
  const own = ENHANCED.exec(fields.get('status') ?? '')?.[0] ?? '';
  if (own !== '' && !own.endsWith('.0.0')) return own;
  const told = ENHANCED.exec(fields.get('diagnostic-code') ?? '')?.[0];
  return told !== undefined && (own === '' || told.startsWith(own[0]!)) ? told : own;
}

/** `smtp; 550 no such user` without its kind. */
function withoutKind(diagnosis: string): string {
  const end = diagnosis.indexOf(';');
  return end > 0 && end < 40 && !diagnosis.slice(0, end).includes(' ') ? diagnosis.slice(end + 1).trim() : diagnosis;
}

const PARTS = ['message/delivery-status', 'message/global-delivery-status'];

/**
 * Reads the machine's part of a delivery report (RFC 3464, and RFC 6533 for addresses beyond ASCII): action, status and diagnosis of the
 * recipient that failed, else of the first. Undefined where the mail is no report.
 */
export async function readDeliveryReport(mail: Buffer | string): Promise<DeliveryReport | undefined> {
  const parsed = await simpleParser(mail, {
    keepDeliveryStatus: true,
    skipHtmlToText: true,
    skipTextToHtml: true,
    skipImageLinks: true,
  });
  const part = parsed.attachments.find((a) => PARTS.includes(a.contentType));
  if (!part) return undefined;
  const told = readGroups(part.content.toString('utf8')).flatMap((fields) => {
    const action = actionOf(fields);
    return action ? [{ fields, action }] : [];
  });
  const of = told.find((t) => t.action === 'failed') ?? told[0];
  if (!of) return undefined;
  const { fields, action } = of;
  const diagnosis = fields.get('diagnostic-code');
  return {
    action,
    status: statusOf(fields),
    reason: (diagnosis === undefined || diagnosis === ''
      ? (fields.get('status') ?? 'no reason was given')
      : withoutKind(diagnosis)
    )
      .slice(0, 2 * MOST_REASON)
      .split(/\s/)
      .filter(Boolean)
      .join(' ')
      .slice(0, MOST_REASON),
  };
}
