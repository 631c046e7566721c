import { Input, Segmented } from 'antd';
import { useIsReader } from '../../parts/reader.tsx';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Row, Sort } from './rows.ts';
import { STATES } from './rows.ts';
import { Choice } from '../../parts/fields/choice.tsx';

const STATE_LABELS: Record<(typeof STATES)[number], string> = {
  word: 'need a word',
  open: 'today still open',
  logged: 'nothing open today',
  gone: 'no longer take part',
};

interface FollowToolsProps {
  readonly rows: readonly Row[];
  readonly sort: Sort;
  readonly isTable: boolean;
  readonly linkTo: (changes: Record<string, string | null>) => string;
  readonly programmeKey: string;
}

const distinct = (values: readonly string[]) => [...new Set(values.filter(Boolean))].sort();

/** Search, order, filters, and the ways out. */
export function FollowTools({ rows, sort, isTable, linkTo, programmeKey }: FollowToolsProps) {
  const isReader = useIsReader();
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const go = (changes: Record<string, string | null>) => void navigate(linkTo(changes), { preventScrollReset: true });
  const filter = (name: string, label: string, all: string, options: readonly (readonly [string, string])[]) =>
    options.length > 1 && (
      <Choice
        label={label}
        value={search.get(name) ?? ''}
        onChange={(value) => go({ [name]: value })}
        options={[{ value: '', words: all }, ...options.map(([value, words]) => ({ value, words }))]}
      />
    );
  const same = (values: readonly string[]) => distinct(values).map((v) => [v, v.replaceAll('_', ' ')] as const);
  return (
    <div className="follow-tools">
      <Input
        allowClear
        placeholder="Find a person"
        aria-label="Find a person"
        defaultValue={search.get('q') ?? ''}
        onChange={(e) =>
          setSearch(
            (s) => {
              const n = new URLSearchParams(s);
              if (e.target.value) n.set('q', e.target.value);
              else n.delete('q');
              return n;
            },
            { replace: true, preventScrollReset: true },
          )
        }
      />
      <Segmented
        value={sort}
        aria-label="Sort by"
        onChange={(value) => go({ sort: value === 'need' ? null : String(value) })}
        options={[
          // To readers nobody needs a word: what is left of that order is attendance.
          ...(isReader
            ? [{ value: 'need', label: 'lowest attendance' }]
            : [
                { value: 'need', label: 'need of a word' },
                { value: 'attendance', label: 'lowest attendance' },
              ]),
          { value: 'name', label: 'name' },
          { value: 'team', label: 'team' },
        ]}
      />
      {filter('team', 'Team', 'all teams', same(rows.map((r) => r.team)))}
      {filter('zone', 'Zone', 'all zones', same(rows.map((r) => r.zone)))}
      {filter(
        'level',
        'Level',
        'all levels',
        distinct(rows.map((r) => String(r.level || ''))).map((l) => [l, `level ${l}`] as const),
      )}
      {filter(
        'state',
        'State',
        'everybody',
        STATES.filter((s) => !isReader || s !== 'word').map((s) => [s, STATE_LABELS[s]] as const),
      )}
      <span className="follow-out small">
        <Link to={linkTo({ view: isTable ? null : 'table' })} preventScrollReset>
          {isTable ? 'as strands' : 'as a table'}
        </Link>{' '}
        {!isReader && (
          <>
            <a href={`/programmes/${programmeKey}/records.csv`}>CSV</a>{' '}
            <a href={`/programmes/${programmeKey}/records.json`}>JSON</a>
          </>
        )}
      </span>
    </div>
  );
}
