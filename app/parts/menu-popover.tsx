import { Popover } from 'antd';
import { useEffect, useRef } from 'react';

interface MenuPopoverProps {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  /** What it offers: the focus is put on the first of it. */
  readonly content: React.ReactNode;
  /** What opens it: one button. */
  readonly children: React.ReactElement;
}

/** What pops up below a button: closes with Escape, from wherever the focus is in it, which then is on the button again. */
export function MenuPopover({ open, onOpenChange, content, children }: MenuPopoverProps) {
  const button = useRef<HTMLSpanElement>(null);
  const menu = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!open) return;
    const frame = requestAnimationFrame(() => menu.current?.querySelector<HTMLElement>('button, a, input')?.focus());
    return () => cancelAnimationFrame(frame);
  }, [open]);
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.key !== 'Escape' || !open) return;
    event.stopPropagation();
    onOpenChange(false);
    button.current?.querySelector('button')?.focus();
  };
  return (
    <Popover
      open={open}
      onOpenChange={onOpenChange}
      trigger="click"
      placement="bottomLeft"
      destroyOnHidden
      content={
        <div ref={menu} onKeyDown={onKeyDown}>
          {content}
        </div>
      }
    >
      <span ref={button} onKeyDown={onKeyDown}>
        {children}
      </span>
    </Popover>
  );
}
