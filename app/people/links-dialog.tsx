import { Button, Input, QRCode } from 'antd';
import { useState } from 'react';
import { plural } from '../../core/words/words.ts';
import type { MadeLink } from '../../server/people/panel-person.ts';
import { Dialog } from '../parts/dialog.tsx';

/** Links to hand over, each to copy or to be read by a phone's camera. */
export function LinksDialog({
  made,
  origin,
  onClose,
}: {
  made: readonly MadeLink[];
  origin: string;
  onClose: () => void;
}) {
  const [copied, setCopied] = useState<string>();
  const [shown, setShown] = useState<string | undefined>(made.length === 1 ? made[0]!.path : undefined);
  const copy = (what: string, text: string) => void navigator.clipboard.writeText(text).then(() => setCopied(what));
  return (
    <Dialog
      open
      wide={made.length > 1}
      title={made.length === 1 ? `The link of ${made[0]!.name}` : `${plural(made.length, 'link')} to hand over`}
      okText="I have them"
      cancelText={null}
      onOk={onClose}
      onCancel={onClose}
    >
      <p>
        No message was sent: hand {made.length === 1 ? 'it' : 'each'} over yourself. Whoever has a link sees that
        person’s sessions, so give it to them alone. {made.length === 1 ? 'It is' : 'They are'} shown this once.
      </p>
      <ul className="made-links">
        {made.map(({ name, path }) => (
          <li key={path}>
            <b dir="auto">{name}</b>
            <Input
              readOnly
              value={origin + path}
              aria-label={`Personal link of ${name}`}
              onFocus={(event) => event.target.select()}
            />
            <Button
              color="primary"
              variant="outlined"
              size="small"
              className="offer"
              aria-label={`copy the link of ${name}`}
              onClick={() => copy(path, origin + path)}
            >
              {copied === path ? 'copied' : 'copy'}
            </Button>
            <Button
              color="primary"
              variant="outlined"
              size="small"
              className="offer"
              aria-label={`QR code of ${name}`}
              aria-expanded={shown === path}
              onClick={() => setShown(shown === path ? undefined : path)}
            >
              QR code
            </Button>
            {shown === path && (
              <div className="made-qr" role="img" aria-label={`QR code of the link of ${name}`}>
                <div aria-hidden="true">
                  <QRCode type="svg" value={origin + path} size={200} color="#000" bgColor="#fff" bordered={false} />
                </div>
              </div>
            )}
          </li>
        ))}
      </ul>
      {made.length > 1 && (
        <p>
          <Button
            htmlType="button"
            onClick={() => copy('all', made.map((m) => `${m.name}\t${origin}${m.path}`).join('\n'))}
          >
            {copied === 'all' ? 'All copied, with names' : 'Copy all, with names'}
          </Button>
        </p>
      )}
    </Dialog>
  );
}
