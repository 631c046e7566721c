import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { CARE_NOTES } from '../../../../core/care.ts';

/** After something hurt so that it was ended. */
export function GivenUpFace({ logLink, back }: { logLink: string; back: string }) {
  return (
    <main className="clock is-ready">
      <h1>Enough for today. That was the right thing to do.</h1>
      <p>{CARE_NOTES.stop}</p>
      <p>
        Pain that stays or grows belongs to a clinician. Your coach has been told, or is as soon as there is a network.
      </p>
      <div className="clock-foot">
        <Link className="clock-main" to={logLink}>
          Log what you did
        </Link>
        <Link className="clock-second" to={back}>
          Back to the session
        </Link>
      </div>
    </main>
  );
}

/** After the last stage. */
export function AfterFace({
  title,
  logLink,
  again,
  onBack,
  children,
}: {
  title: string;
  logLink: string;
  /** Blocks that were done twice: what the second time brought. */
  again: readonly string[];
  onBack: () => void;
  /** What is still asked of the last stage. */
  children?: ReactNode;
}) {
  return (
    <main className="clock is-ready">
      <p className="clock-top">
        <span>{title}</span>
      </p>
      <h1>That was all of it</h1>
      {children}
      {again.map((words) => (
        <p key={words} className="clock-note">
          {words}
        </p>
      ))}
      <p>Water, and a moment to breathe. Then say how it went: it takes two taps.</p>
      <div className="clock-foot">
        <Link className="clock-main" to={logLink}>
          Log it
        </Link>
        <button type="button" className="clock-second" onClick={onBack}>
          Back one step
        </button>
      </div>
    </main>
  );
}
