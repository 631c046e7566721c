import { Button, Popconfirm } from 'antd';
import { useState } from 'react';
import { useFetcher } from 'react-router';
import { MenuPopover } from '../parts/menu-popover.tsx';

export interface RoutineChoice {
  readonly id: number;
  readonly name: string;
  readonly text: string;
}

interface RoutineMenuProps {
  readonly routines: readonly RoutineChoice[];
  readonly onInsert: (routine: RoutineChoice, how: 'copy' | 'refer') => void;
}

/** Stored warm-ups, cool-downs and other blocks: put in as they are, or referred to by name. */
export function RoutineMenu({ routines, onInsert }: RoutineMenuProps) {
  const [open, setOpen] = useState(false);
  const remove = useFetcher();
  const pick = (routine: RoutineChoice, how: 'copy' | 'refer') => {
    setOpen(false);
    onInsert(routine, how);
  };
  const list = (
    <div className="routines">
      {routines.length === 0 && (
        <p className="soft">
          None yet. Under Cards, “save as routine” stores a block, a warm-up perhaps, to be used again.
        </p>
      )}
      <ul>
        {routines.map((r) => (
          <li key={r.id}>
            <b>{r.name}</b>
            <span className="soft small">
              {r.text
                .split('\n')
                .filter((l) => l.trim() !== '')
                .slice(0, 5)
                .join(' · ')}
            </span>
            <p>
              <Button color="primary" variant="outlined" size="small" className="offer" onClick={() => pick(r, 'copy')}>
                write it out
              </Button>
              <Button
                color="primary"
                variant="outlined"
                size="small"
                className="offer"
                onClick={() => pick(r, 'refer')}
              >
                refer to it
              </Button>
              <Popconfirm
                title={`Delete “${r.name}”?`}
                description="Sent sessions keep what they had. Drafts that refer to it lose it."
                okText="Delete"
                onConfirm={() =>
                  void remove.submit({ intent: 'delete', id: String(r.id) }, { method: 'post', action: '/routines' })
                }
              >
                <Button type="link" size="small" className="link small">
                  delete
                </Button>
              </Popconfirm>
            </p>
          </li>
        ))}
      </ul>
    </div>
  );
  return (
    <MenuPopover open={open} onOpenChange={setOpen} content={list}>
      <Button type="text" size="small" className="tool" aria-expanded={open}>
        Routines
      </Button>
    </MenuPopover>
  );
}
