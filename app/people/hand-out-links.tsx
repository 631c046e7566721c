import { Button } from 'antd';
import { useState } from 'react';
import { useFetcher } from 'react-router';
import type { LeavingAsked } from '../../server/send/send-decision.ts';
import { unlessAsked } from '../parts/leaving.tsx';
import type { MadeLink } from '../../server/people/panel-person.ts';
import { LinksDialog } from './links-dialog.tsx';

/** Makes the links that are missing, and shows them to be handed over. */
export function HandOutLinks({
  programmeId,
  missing,
  origin,
  isMain,
}: {
  programmeId: string;
  missing: number;
  origin: string;
  isMain: boolean;
}) {
  const fetcher = useFetcher<{ readonly made?: readonly MadeLink[] } | LeavingAsked>();
  const [seen, setSeen] = useState<unknown>();
  const made = unlessAsked(fetcher.data)?.made;
  return (
    <>
      {missing > 0 && (
        <Button
          type={isMain ? 'primary' : 'default'}
          size={isMain ? 'large' : 'middle'}
          loading={fetcher.state !== 'idle'}
          onClick={() =>
            void fetcher.submit({ intent: 'links' }, { method: 'post', action: `/programmes/${programmeId}/people` })
          }
        >
          Hand out {missing === 1 ? 'their link' : `${missing} links`}
        </Button>
      )}
      {made && made.length > 0 && made !== seen && (
        <LinksDialog made={made} origin={origin} onClose={() => setSeen(made)} />
      )}
    </>
  );
}
