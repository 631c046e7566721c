import { useEffect, useState } from 'react';
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
  ['?', 'these keys'],
];

/** The keys of a screen; `?` opens it wherever nothing is being typed. */
export function KeysHelp({ keys }: { keys: KeyWords }) {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.key !== '?' || target.closest('input, textarea, select, [contenteditable="true"], dialog')) return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <button type="button" className="tool is-keys" aria-label="Keys" title="Keys (?)" onClick={() => setOpen(true)}>
        ?
      </button>
      <Dialog
        open={open}
        title="Keys"
        okText="Good"
        cancelText={null}
        onOk={() => setOpen(false)}
        onCancel={() => setOpen(false)}
      >
        <dl className="keys">
          {keys.map(([key, does]) => (
            <div key={key}>
              <dt>{key}</dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
    </>
  );
}
