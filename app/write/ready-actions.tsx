import { Button, Tooltip } from 'antd';
import { Link } from 'react-router';
import type { SessionAnalysis } from '../../core/session/analyse.ts';
import { isSendable } from '../../core/session/analyse.ts';
import type { DraftState } from './editor/draft-saver.ts';
import type { WriterDay } from './writer-day.ts';

interface ReadyActionsProps {
  readonly day: WriterDay;
  readonly text: string;
  readonly analysis: SessionAnalysis;
  readonly draft: DraftState;
  readonly isBusy: boolean;
  readonly sendPath: string;
  readonly onReady: () => void;
  readonly onNotReady: () => void;
}

/** Marks the session ready, says why it can't be yet, or leads on to Send. */
export function ReadyActions(props: ReadyActionsProps) {
  const { day, text, analysis, draft, isBusy, sendPath, onReady, onNotReady } = props;
  const isReady = day.isReady && text === day.text;
  const canBeReady = isSendable(analysis);
  const why =
    analysis.issues.length > 0
      ? 'Lines that can’t be read have to be mended first'
      : analysis.plan.timeline.length === 0
        ? 'There is nothing in this session yet'
        : 'It refers to a routine that isn’t there';
  if (isReady || (day.sentNumber !== null && text === day.text && day.isAsSent))
    return (
      <>
        {isReady && !day.isAsSent && <Button onClick={() => onNotReady()}>Not ready after all</Button>}
        <Link className="button-main" to={sendPath}>
          {day.isAsSent ? `Sent as version ${day.sentNumber}` : 'Ready: go on to Send'}
        </Link>
      </>
    );
  return (
    <Tooltip title={canBeReady ? '' : why}>
      <Button
        type="primary"
        size="large"
        disabled={!canBeReady || draft.kind === 'stale'}
        loading={isBusy}
        onClick={() => onReady()}
      >
        Mark ready
      </Button>
    </Tooltip>
  );
}
