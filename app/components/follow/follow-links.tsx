import { Link } from 'react-router';

/** The pages about a run that is on: what is now, what is next, whether it works, those who host together. */
export function FollowLinks({ current }: { current: 'now' | 'next' | 'working' | 'teams' }) {
  const PAGES = [
    ['now', 'follow-up', 'Now'],
    ['next', 'follow-up/next', 'What next'],
    ['working', 'follow-up/working', 'Is it working'],
    ['teams', 'follow-up/teams', 'Teams and letters'],
  ] as const;
  return (
    <nav className="follow-links" aria-label="Follow up">
      {PAGES.map(([id, path, words]) => (
        <Link key={id} to={`../${path}`} {...(id === current && { 'aria-current': 'page' as const })}>
          {words}
        </Link>
      ))}
    </nav>
  );
}
