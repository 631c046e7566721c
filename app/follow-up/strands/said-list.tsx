import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { SaidLately } from '../../../server/follow-up/said-lately.ts';
import { OUTCOME_WORDS } from '../../../words/en/record/record.ts';

/** Lines of what was said that leave the strands in sight. */
const FEW_SAID = 4;

/** What was said lately, before anything else: who, how hard, what they got, their words. */
export function SaidList({
  lately,
  linkTo,
}: {
  lately: SaidLately;
  linkTo: (changes: Record<string, string | null>) => string;
}) {
  const [all, setAll] = useState(false);
  // Who has said more than "done" has a line; the others stand together.
  const telling = lately.said.filter((s) => s.remark !== '' || s.scores.length > 0 || s.outcome !== OUTCOME_WORDS.done);
  const plain = lately.said.filter((s) => !telling.includes(s));
  const shown = all ? telling : telling.slice(0, FEW_SAID);
  const nameLink = (s: Pick<SaidLately['said'][number], 'enrolmentId' | 'dayKey' | 'name'>) => (
    <Link to={linkTo({ person: String(s.enrolmentId), day: s.dayKey })} preventScrollReset dir="auto">
      {s.name}
    </Link>
  );
  return (
    <section className="said" aria-label={`Said ${lately.day}`}>
      <h2>
        Said {lately.day} <span className="soft">{lately.count}</span>
      </h2>
      {lately.pains.length > 0 && (
        <ul className="said-pains" aria-label="Something hurt">
          {lately.pains.map((p, i) => (
            <li key={i}>
              {nameLink(p)} <b>it hurt: {p.words}</b> <span className="soft small">{p.at}</span>
            </li>
          ))}
        </ul>
      )}
      <ul>
        {shown.map((s) => (
          <li key={`${s.enrolmentId} ${s.dayKey}`}>
            {nameLink(s)}
            <span className="said-effort">
              {s.effort === null ? (
                <span className="soft">–</span>
              ) : (
                <>
                  <span className="sr">effort </span>
                  <b>{s.effort}</b>
                  <i aria-hidden="true" style={{ width: `${s.effort * 10}%` }} />
                </>
              )}
            </span>
            <span className="said-words">
              <span className="soft">{[s.outcome, ...s.scores].join(' · ')}</span>
              {s.remark !== '' && <q dir="auto">{s.remark}</q>}
            </span>
            <span className="soft small">{s.at}</span>
          </li>
        ))}
        {plain.length > 0 && (
          <li className="said-plain">
            <span className="soft">done, effort</span>
            <span>
              {plain.map((s, i) => (
                <span key={`${s.enrolmentId} ${s.dayKey}`}>
                  {i > 0 && ' · '}
                  {nameLink(s)} {s.effort ?? <span className="soft">–</span>}
                </span>
              ))}
            </span>
          </li>
        )}
      </ul>
      {telling.length > FEW_SAID && (
        <Button type="text" size="small" className="tool" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'fewer' : `all ${telling.length} with words or scores`}
        </Button>
      )}
      {lately.count > lately.said.length && (
        <p className="soft small">{lately.count - lately.said.length} more stand in the strands below.</p>
      )}
    </section>
  );
}
