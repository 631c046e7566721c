import { Button, ConfigProvider } from 'antd';
import { useEffect, useId, useRef } from 'react';

interface DialogProps {
  readonly open: boolean;
  readonly title: string;
  readonly okText: string;
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
    if (!dialog) return;
    if (open && !dialog.open) dialog.showModal();
    if (!open && dialog.open) dialog.close();
  }, [open]);
  return (
    <dialog
      ref={element}
      className={`dialog${wide ? ' is-wide' : ''}`}
      aria-labelledby={titleId}
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
            <Button type="primary" loading={busy} disabled={okDisabled} onClick={onOk}>
              {okText}
            </Button>
          </p>
        </ConfigProvider>
      )}
    </dialog>
  );
}
