import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { groupBy } from '../../../core/group-by.ts';
import { ATTENTION_RULES } from '../../../core/record/attention/attention-rules.ts';
import { dayKey } from '../../../core/calendar/day-place.ts';
import { beadMarkup } from '../../charts/session/bead.tsx';
import type { GridDay, NeedItem, Row } from './rows.ts';
import { strandDays } from './rows.ts';
import { RULE_WORDS } from '../../../words/en/attention.ts';

/** Lines that leave the strands in sight. */
const FEW = 6;
const LAST_BEADS = 10;
const STEP = 14;

interface NeedListProps {
  readonly items: readonly NeedItem[];
  readonly rows: ReadonlyMap<number, Row>;
  readonly days: readonly GridDay[];
  readonly chosen: string;
  readonly linkTo: (changes: Record<string, string | null>) => string;
}

/** Who needs a word, why, and what to do: before anything else. */
export function NeedList({ items, rows, days, chosen, linkTo }: NeedListProps) {
  const [all, setAll] = useState(false);
  // What presses most comes first of each: one line a person, all else behind it.
  const people = [...groupBy(items, (i) => i.id).values()].map(([item, ...also]) => ({ item: item!, also }));
  const worries = people.filter(({ item }) => !ATTENTION_RULES[item.code].isGood);
  const good = people.filter(({ item }) => ATTENTION_RULES[item.code].isGood).map(({ item }) => item);
  const shown = all ? worries : worries.slice(0, FEW);
  return (
    <section className="needs" aria-label="Who needs a word">
      <h2>
        {worries.length === 0 ? 'Nobody needs a word' : 'Who needs a word'}{' '}
        {worries.length > 0 && <span className="soft">{worries.length}</span>}{' '}
        <Link className="needs-rules" to={linkTo({ rules: 'yes', person: null, day: null })} preventScrollReset>
          what the list asks about
        </Link>
      </h2>
      {worries.length === 0 && (
        <p className="soft">
          Nothing presses. One missed session alone is no reason to ask; what would be, you find under “what the list
          asks about”.
        </p>
      )}
      <ul>
        {shown.map(({ item, also }) => (
          <NeedLine
            key={item.id}
            {...{ item, also, rows, days, linkTo }}
            isChosen={[item, ...also].some((i) => chosen === `${i.id} ${i.code}`)}
          />
        ))}
      </ul>
      {worries.length > FEW && (
        <Button type="text" size="small" className="tool" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'fewer' : `all ${worries.length}`}
        </Button>
      )}
      {good.length > 0 && (
        <>
          <h3>A good word is due</h3>
          <p className="needs-good">
            {good.map((item, i) => (
              <span key={`${item.id} ${item.code}`}>
                {i > 0 && ' · '}
                <Link
                  to={linkTo({ person: String(item.id), item: item.code, day: null, rules: null })}
                  preventScrollReset
                  dir="auto"
                  title={item.why}
                >
                  {rows.get(item.id)?.name}
                </Link>{' '}
                <span className="soft">{RULE_WORDS[item.code].name.toLowerCase()}</span>
              </span>
            ))}
          </p>
        </>
      )}
    </section>
  );
}

interface NeedLineProps {
  readonly item: NeedItem;
  /** What else there is about them, less pressing. */
  readonly also: readonly NeedItem[];
  readonly rows: NeedListProps['rows'];
  readonly days: readonly GridDay[];
  readonly linkTo: NeedListProps['linkTo'];
  readonly isChosen: boolean;
}

function NeedLine({ item, also, rows, days, linkTo, isChosen }: NeedLineProps) {
  const row = rows.get(item.id);
  if (!row) return null;
  const beads = strandDays(row, days).filter((b) => !['before', 'ahead', 'unsent'].includes(b.state));
  const evidence = new Set(item.evidence.map(([key]) => key));
  const drawn = [
    `<line class="strand-thread" x1="0" x2="${LAST_BEADS * STEP}" y1="10" y2="10"/>`,
    ...beads
      .slice(-LAST_BEADS)
      .map(
        (b, i) =>
          (evidence.has(dayKey(b))
            ? `<rect class="needs-mark" x="${i * STEP}" y="1" width="${STEP}" height="18"/>`
            : '') +
          beadMarkup({ x: i * STEP + STEP / 2, y: 10, state: b.state, shareRatio: b.shareRatio, radius: 4.6 }),
      ),
  ];
  return (
    <li className={isChosen ? 'is-chosen' : undefined}>
      <Link
        className="needs-name"
        to={linkTo({ person: String(item.id), item: item.code, day: null, rules: null })}
        preventScrollReset
        aria-current={isChosen || undefined}
      >
        <b dir="auto">{row.name}</b> <span className="soft small">{row.team}</span>
      </Link>
      <span className="needs-why">
        <b>{RULE_WORDS[item.code].name}.</b> {item.why}
        {also.length > 0 && (
          <span className="soft small">
            {' '}
            Also:{' '}
            {also.map((other, i) => (
              <span key={other.code}>
                {i > 0 && ', '}
                <Link
                  to={linkTo({ person: String(other.id), item: other.code, day: null, rules: null })}
                  preventScrollReset
                  title={other.why}
                >
                  {RULE_WORDS[other.code].name.toLowerCase()}
                </Link>
              </span>
            ))}
          </span>
        )}
      </span>
      <svg
        className="needs-beads"
        viewBox={`0 0 ${LAST_BEADS * STEP} 20`}
        width={LAST_BEADS * STEP}
        height="20"
        aria-hidden="true"
        dangerouslySetInnerHTML={{ __html: drawn.join('') }}
      />
    </li>
  );
}
