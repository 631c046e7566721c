import { Button } from 'antd';
import type { DraftSaver, DraftState } from './draft-saver.ts';
import type { EditorHandle } from './notation-editor-view.ts';

interface StaleNoticeProps {
  readonly state: DraftState;
  readonly saver: DraftSaver;
  readonly editor: React.RefObject<EditorHandle | null>;
}

/** The day was changed elsewhere: what was typed here, or what stands there, is kept. */
export function StaleNotice({ state, saver, editor }: StaleNoticeProps) {
  if (state.kind !== 'stale') return null;
  return (
    <div className="notice bad" role="alert">
      <p>
        <b>This day was changed elsewhere</b>, in another tab or by another coach. What you typed is still here and not
        saved.
      </p>
      <Button size="small" onClick={() => saver.settle(state.revision)}>
        Keep mine
      </Button>{' '}
      <Button
        size="small"
        onClick={() => {
          saver.settle(state.revision, state.theirs);
          editor.current?.setText(state.theirs);
        }}
      >
        Take theirs
      </Button>
    </div>
  );
}

/** Whether what is typed is saved. */
export function DraftWords({ state }: { state: DraftState }) {
  switch (state.kind) {
    case 'saved':
      return (
        <span className="soft" role="status">
          saved
        </span>
      );
    case 'typing':
      return (
        <span className="soft" role="status">
          not saved yet
        </span>
      );
    case 'offline':
      return (
        <span className="plan-off" role="status">
          no network: what you type stays here and is saved later
        </span>
      );
    case 'refused':
      return (
        <span className="plan-off" role="alert">
          {state.message}
        </span>
      );
    case 'stale':
      return (
        <span className="plan-off" role="status">
          not saved: changed elsewhere
        </span>
      );
  }
}
