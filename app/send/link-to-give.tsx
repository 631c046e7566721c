import { Button, QRCode } from 'antd';
import { useState } from 'react';

/** An address to hand on: in letters, to copy, and as a picture for phones. */
export function LinkToGive({ url, words }: { url: string; words: string }) {
  const [isCopied, setCopied] = useState(false);
  return (
    <div className="link-to-give">
      <div>
        <b className="small">{words}</b>
        <code>{url}</code>
        <Button
          type="link"
          size="small"
          className="link"
          onClick={() => void navigator.clipboard.writeText(url).then(() => setCopied(true))}
        >
          {isCopied ? 'Copied' : 'Copy'}
        </Button>
      </div>
      <div aria-hidden="true">
        <QRCode value={url} size={104} bordered={false} color="#000000" bgColor="#ffffff" type="svg" />
      </div>
    </div>
  );
}
