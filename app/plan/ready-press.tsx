import { Button } from 'antd';
import { useFetcher } from 'react-router';
import type { action as readyAction } from './ready.ts';
import { unlessAsked, useLeaving } from '../parts/leaving.tsx';
import type { SpineDay } from '../shell/spine.tsx';

/** Days that can be marked ready as they are. */
const canBeReady = (day: SpineDay): boolean => day.state === 'draft' || day.state === 'to-read';

/** Marks all of some days ready that aren't yet. Nothing where there are none. `words` says which, for so many of them. */
export function ReadyPress({
  programmeId,
  days,
  words,
}: {
  programmeId: string;
  days: readonly SpineDay[];
  words: (count: number) => string;
}) {
  const fetcher = useFetcher<typeof readyAction>();
  const busy = fetcher.state !== 'idle';
  const action = `/programmes/${programmeId}/ready`;
  const leaving = useLeaving(fetcher.data, (fields) => void fetcher.submit(fields, { method: 'post', action }), busy);
  const open = days.filter(canBeReady);
  const told = busy ? undefined : unlessAsked(fetcher.data)?.told;
  return (
    <>
      {open.length > 0 && (
        <Button size="small" loading={busy} onClick={() => leaving.send({ days: open.map((d) => d.key).join(' ') })}>
          {words(open.length)}
        </Button>
      )}
      {told && (
        <span className="soft small" role="status">
          {told}
        </span>
      )}
      {leaving.dialog}
    </>
  );
}
