import { Link } from 'react-router';
import { useIsReader } from '../../parts/reader.tsx';

/** The pages about a run that is on: what is now, what is next, whether it works, those who host together. */
export function FollowLinks({ current }: { current: 'now' | 'next' | 'working' | 'teams' }) {
  const isReader = useIsReader();
  const PAGES = [
    ['now', 'follow-up', 'Now'],
    ['next', 'follow-up/next', 'What next'],
    ['working', 'follow-up/working', 'Is it working'],
    ['teams', 'follow-up/teams', 'Teams and letters'],
  ] as const;
  return (
    <nav className="follow-links" aria-label="Follow up">
      {PAGES.filter(([id]) => !isReader || id === 'now' || id === 'working').map(([id, path, words]) => (
        <Link key={id} to={`../${path}`} {...(id === current && { 'aria-current': 'page' as const })}>
          {words}
        </Link>
      ))}
    </nav>
  );
}
