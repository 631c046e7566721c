import { Button } from 'antd';
import { useCallback, useEffect, useState } from 'react';
import { Dialog } from './dialog.tsx';

export type KeyWords = readonly (readonly [keys: string, does: string])[];

export const WRITE_KEYS: KeyWords = [
  ['Tab, Shift Tab', 'to the next number, and back; after the last one on to the next control'],
  ['Escape, then Tab', 'out of the text at once'],
  ['Ctrl Space', 'what could stand here'],
  ['F8', 'to the next thing worth a look'],
  ['Ctrl Z, Ctrl Shift Z', 'undo and redo, across text and cards'],
  ['Arrow keys on ⠿', 'move a card up or down'],
  ['Arrow keys on − and +', 'less and more'],
  ['?, and F1 while typing', 'how a session is written, and these keys'],
];

export function KeyList({ keys }: { keys: KeyWords }) {
  return (
    <dl className="keys">
      {keys.map(([key, does]) => (
        <div key={key}>
          <dt>{key}</dt>
          <dd>{does}</dd>
        </div>
      ))}
    </dl>
  );
}

/** Calls for help by `?`, wherever nothing is being typed, and by F1 everywhere. */
export function useHelpKey(onHelp: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      const isTyping =
        target.closest('input:not([readonly]), textarea, [contenteditable="true"], .dialog-root') !== null;
      if (event.key !== 'F1' && (event.key !== '?' || isTyping)) return;
      if (target.closest('.dialog-root')) return;
      event.preventDefault();
      onHelp();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [onHelp]);
}

/** The keys of a screen. */
export function KeysHelp({ keys }: { keys: KeyWords }) {
  const [open, setOpen] = useState(false);
  const show = useCallback(() => setOpen(true), []);
  useHelpKey(show);
  return (
    <>
      <Button
        type="text"
        size="small"
        className="tool is-keys"
        aria-label="Keys"
        title="Keys (?)"
        onClick={() => setOpen(true)}
      >
        ?
      </Button>
      <Dialog
        open={open}
        title="Keys"
        okText="Back to work"
        cancelText={null}
        onOk={() => setOpen(false)}
        onCancel={() => setOpen(false)}
      >
        <KeyList keys={keys} />
      </Dialog>
    </>
  );
}
