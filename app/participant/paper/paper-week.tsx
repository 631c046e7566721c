import { Link } from 'react-router';
import { CARE_NOTES } from '../../../core/care.ts';
import { sheetLength } from '../../../core/exchange/session-text.ts';
import type { Paper } from '../../../server/paper/printed.ts';
import { SessionList } from '../base/session-list.tsx';
import '../../parts/figure/figure.css';
import './paper.css';

/** A week as it goes on paper, black on white: each session on its own sheet, with a box to tick by each line. */
export function PaperWeek({ paper: { title, sessions, link }, back }: { paper: Paper; back: string }) {
  return (
    <main className="paper">
      <nav className="paper-nav">
        <Link to={back}>Back</Link>
        <button type="button" className="button-main" onClick={() => window.print()}>
          Print
        </button>
        <a href={`${back}/week.pdf`}>as PDF</a>
      </nav>
      <h1>{title}</h1>
      {sessions.map(({ above, sheet, figures, changes }) => (
        <article key={above}>
          <p>{above}</p>
          <h2>{sheet.title}</h2>
          <p>
            {sheetLength(sheet)}. Have ready: {sheet.kit}.{sheet.note !== '' && <b> {sheet.note}</b>}
          </p>
          {sheet.film !== null && (
            <p>
              Film: <a href={sheet.film}>{sheet.film}</a>
            </p>
          )}
          <SessionList blocks={sheet.blocks} figures={figures} />
          {changes.length > 0 && <p>In your shape: {changes.join('; ')}.</p>}
        </article>
      ))}
      <footer>
        <p>
          {CARE_NOTES.pain} {CARE_NOTES.stop}
        </p>
        {link && (
          <p>
            {link.words} {link.url}
          </p>
        )}
      </footer>
    </main>
  );
}
