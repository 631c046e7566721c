import { Button, ConfigProvider } from 'antd';
import { useEffect, useId, useRef } from 'react';
import { focusAgain } from '../shell/frame/focus.ts';

interface DialogProps {
  readonly open: boolean;
  readonly title: string;
  /** Null where the ways on stand in the body. */
  readonly okText: string | null;
  readonly onOk: () => void;
  /** Escape, the cross, and Cancel. */
  readonly onCancel: () => void;
  /** Absent where there is only one way on. */
  readonly cancelText?: string | null;
  readonly busy?: boolean;
  readonly wide?: boolean;
  readonly okDisabled?: boolean;
  readonly children: React.ReactNode;
}

const CAN_FOCUS =
  'input:not([type="hidden"]):not(:disabled), select:not(:disabled), textarea:not(:disabled), button:not(:disabled), a[href], summary, [tabindex="0"]';

/** The first thing to do: what asks for the focus, else the first field of the question, else its answer. */
function focusFirst(dialog: HTMLElement): void {
  const first =
    dialog.querySelector<HTMLElement>('[data-first]') ??
    [...dialog.querySelectorAll<HTMLElement>('.dialog-body :is(input, select, textarea)')].find((e) =>
      e.matches(CAN_FOCUS),
    ) ??
    dialog.querySelector<HTMLElement>('.dialog-foot .ant-btn-primary:not(:disabled)') ??
    dialog.querySelector<HTMLElement>('.dialog-foot button');
  first?.focus();
}

/**
 * A question over the page. The browser's own dialog: it keeps the focus inside, closes with Escape, and needs no
 * style sheet made at run time, which the content-security policy would refuse.
 */
export function Dialog({
  open,
  title,
  okText,
  onOk,
  onCancel,
  cancelText = 'Cancel',
  busy = false,
  wide = false,
  okDisabled = false,
  children,
}: DialogProps) {
  const element = useRef<HTMLDialogElement>(null);
  const titleId = useId();
  useEffect(() => {
    const dialog = element.current;
    if (!dialog || !open) return;
    const opener = document.activeElement;
    if (!dialog.open) dialog.showModal();
    // What has nothing to be worked with, but more than fits, is scrolled by key.
    const body = dialog.querySelector<HTMLElement>('.dialog-body');
    if (body && !body.querySelector(CAN_FOCUS)) body.tabIndex = 0;
    focusFirst(dialog);
    return () => {
      if (dialog.open) dialog.close();
      // Also where the dialog is taken away as a whole, or what opened it is gone: a heading is where one goes on.
      focusAgain(opener);
    };
  }, [open]);
  return (
    <dialog
      ref={element}
      className={`dialog${wide ? ' is-wide' : ''}`}
      {...(open && { 'aria-labelledby': titleId })}
      onCancel={(event) => {
        if (event.target !== element.current) return;
        event.preventDefault();
        onCancel();
      }}
    >
      {open && (
        <ConfigProvider getPopupContainer={(node) => node?.closest<HTMLElement>('.dialog') ?? document.body}>
          <h2 id={titleId}>{title}</h2>
          <button type="button" className="dialog-close" aria-label="Close" onClick={onCancel}>
            ×
          </button>
          <div className="dialog-body">{children}</div>
          <p className="dialog-foot">
            {cancelText !== null && <Button onClick={onCancel}>{cancelText}</Button>}
            {okText !== null && (
              <Button type="primary" loading={busy} disabled={okDisabled} onClick={onOk}>
                {okText}
              </Button>
            )}
          </p>
        </ConfigProvider>
      )}
    </dialog>
  );
}
