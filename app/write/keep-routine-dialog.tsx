import { Input } from 'antd';
import { useState } from 'react';
import { useFetcher } from 'react-router';
import type { action as routinesAction } from './routines.ts';
import { Dialog } from '../parts/dialog.tsx';

/** Names a block and stores it as a routine; a name that is taken asks before it is replaced. */
export function KeepRoutineDialog({
  text,
  suggestedName,
  onClose,
}: {
  text: string;
  suggestedName: string;
  onClose: () => void;
}) {
  const [name, setName] = useState(suggestedName);
  const fetcher = useFetcher<typeof routinesAction>();
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined;
  const isKept = answer?.error === '';
  const replaces = answer?.taken === true;
  return (
    <Dialog
      open
      title="Save as a routine"
      okText={isKept ? 'Back to the session' : replaces ? 'Replace it' : 'Save'}
      cancelText={isKept ? null : 'Cancel'}
      busy={fetcher.state !== 'idle'}
      onCancel={onClose}
      onOk={() =>
        isKept
          ? onClose()
          : void fetcher.submit(
              { intent: 'keep', name, text, replace: replaces ? 'yes' : '' },
              { method: 'post', action: '/routines' },
            )
      }
    >
      {isKept ? (
        <p role="status">“{name.trim()}” is saved. Find it under Routines, on every day of every programme.</p>
      ) : (
        <>
          <label className="keep-name">
            Name
            <Input value={name} maxLength={80} autoFocus onChange={(event) => setName(event.target.value)} />
          </label>
          {answer?.error && (
            <p className="field-error" role="alert">
              {answer.error}
            </p>
          )}
          <pre>{text}</pre>
        </>
      )}
    </Dialog>
  );
}
