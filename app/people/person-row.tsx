import { Button } from 'antd';
import { memo } from 'react';
import { Link } from 'react-router';

/** A person as the list shows them. */
export interface PersonLine {
  readonly id: number;
  readonly name: string;
  readonly detail: string;
  readonly timeZone: string;
  readonly address: string;
  readonly fit: string;
  readonly isWaiting: boolean;
  readonly joined: string;
  readonly isLate: boolean;
  readonly hasLink: boolean;
  readonly isClosed: boolean;
}

/** What is asked before a link stops working, or somebody is gone. */
export interface LinkQuestion {
  readonly what: 'link' | 'revoke' | 'remove';
  readonly id: number;
  readonly name: string;
}

interface PersonRowProps {
  readonly person: PersonLine;
  readonly index: number;
  readonly topPx: number;
  readonly nowThere: string;
  readonly isChosen: boolean;
  readonly onAsk: (question: LinkQuestion) => void;
  readonly onMake: (id: number) => void;
}

/** One person in the list: what fits them, their clock, their link. */
export const PersonRow = memo(function PersonRow(props: PersonRowProps) {
  const { person: p, index, topPx, nowThere, isChosen, onAsk, onMake } = props;
  const ask = (what: LinkQuestion['what']) => onAsk({ what, id: p.id, name: p.name });
  return (
    <div className="people-row" role="row" aria-rowindex={index + 2} style={{ top: topPx }}>
      <span role="cell">
        <Link className="people-name" to={`?person=${p.id}`} preventScrollReset aria-current={isChosen || undefined}>
          <b dir="auto">{p.name}</b>
        </Link>{' '}
        <span className="soft small">{p.detail}</span>
        {p.address && <small className="soft people-address">{p.address}</small>}
      </span>
      <span role="cell" className="small">
        {p.isWaiting && <b className="plan-off">wait </b>}
        {p.fit === '' && !p.isWaiting ? <span className="soft">as anyone</span> : p.fit}
      </span>
      <span role="cell">
        {nowThere} <span className="soft small">{p.timeZone.replaceAll('_', ' ')}</span>
      </span>
      <span role="cell">
        {p.joined}
        {p.isLate && <span className="soft small"> joined late</span>}
      </span>
      <span role="cell">
        {p.hasLink ? 'works' : <span className="plan-off">{p.isClosed ? 'revoked' : 'none'}</span>}{' '}
        {p.hasLink ? (
          <>
            <Button
              type="link"
              size="small"
              className="link"
              aria-label={`replace the link of ${p.name}`}
              onClick={() => ask('link')}
            >
              replace
            </Button>{' '}
            <Button
              type="link"
              size="small"
              className="link"
              aria-label={`revoke the link of ${p.name}`}
              onClick={() => ask('revoke')}
            >
              revoke
            </Button>
          </>
        ) : (
          <Button
            type="link"
            size="small"
            className="link"
            aria-label={`make one for ${p.name}`}
            onClick={() => onMake(p.id)}
          >
            make one
          </Button>
        )}
      </span>
    </div>
  );
});
