import { Button, ConfigProvider, Modal } from 'antd';
import { useEffect, useRef } from 'react';
import { focusAgain } from '../shell/frame/focus.ts';
import { useInBrowser } from './fields/use-in-browser.ts';
import { inLandmark } from './in-landmark.ts';

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
    [...dialog.querySelectorAll<HTMLElement>('.dialog-body :is(input, select, textarea)')].find(
      (e) => e.matches(CAN_FOCUS) && e.checkVisibility(),
    ) ??
    dialog.querySelector<HTMLElement>('.dialog-foot .ant-btn-primary:not(:disabled)') ??
    dialog.querySelector<HTMLElement>('.dialog-foot button');
  first?.focus();
}

/** The focus comes in as soon as the dialog stands: what is typed next belongs to it. */
function arrive(body: HTMLDivElement | null): void {
  if (!body) return;
  queueMicrotask(() => {
    // What has nothing to be worked with, but more than fits, is scrolled by key.
    if (!body.querySelector(CAN_FOCUS)) body.tabIndex = 0;
    focusFirst(body.closest<HTMLElement>('.dialog') ?? body);
  });
}

/** A question over the page, which can't be worked with until it is answered: by a button, Escape or the cross. */
export function Dialog({ open, ...props }: DialogProps) {
  // It stands beside the page, where the server puts nothing.
  const isInBrowser = useInBrowser();
  return open && isInBrowser ? <OpenDialog {...props} /> : null;
}

function OpenDialog({
  title,
  okText,
  onOk,
  onCancel,
  cancelText = 'Cancel',
  busy = false,
  wide = false,
  okDisabled = false,
  children,
}: Omit<DialogProps, 'open'>) {
  const opener = useRef<Element | null>(null);
  useEffect(() => {
    opener.current = document.activeElement;
    const behind = standAside();
    return () => {
      behind();
      // Also where the dialog is taken away as a whole, or what opened it is gone: a heading is where one goes on.
      focusAgain(opener.current);
    };
  }, []);
  return (
    <Modal
      open
      centered
      title={title}
      width={wide ? 900 : 520}
      className={`dialog${wide ? ' is-wide' : ''}`}
      rootClassName="dialog-root"
      getContainer={() => document.querySelector<HTMLElement>('.dialog-place') ?? document.body}
      closable={{ 'aria-label': 'Close' }}
      closeIcon="×"
      mask={{ closable: false }}
      focusable={{ trap: true, focusTriggerAfterClose: false }}
      onCancel={onCancel}
      footer={
        <div className="dialog-foot">
          {cancelText !== null && <Button onClick={onCancel}>{cancelText}</Button>}
          {okText !== null && (
            <Button type="primary" loading={busy} disabled={okDisabled} onClick={onOk}>
              {okText}
            </Button>
          )}
        </div>
      }
    >
      <ConfigProvider getPopupContainer={inLandmark}>
        <div ref={arrive} className="dialog-body">
          {children}
        </div>
      </ConfigProvider>
    </Modal>
  );
}

let standing = 0;

/** The page behind a dialog takes no press and isn't read out until the last dialog is closed. Gives how it comes back. */
function standAside(): () => void {
  const behind = [...document.querySelectorAll<HTMLElement>('[data-behind]')];
  standing += 1;
  for (const element of behind) element.inert = true;
  return () => {
    standing -= 1;
    if (standing === 0) for (const element of behind) element.inert = false;
  };
}
