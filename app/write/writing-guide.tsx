import { Button } from 'antd';
import { memo } from 'react';
import type { GuideExample, GuideSection, GuideTopic } from '../../core/notation/help/guide.ts';
import { GUIDE } from '../../core/notation/help/guide.ts';
import { ClockShapePicture } from './cards/clock-shape-picture.tsx';
import type { KeyWords } from '../parts/keys-help.tsx';
import { KeyList } from '../parts/keys-help.tsx';

interface WritingGuideProps {
  /** Where the caret is. */
  readonly topic: GuideTopic;
  readonly keys: KeyWords;
  readonly onTake: (topic: GuideTopic, example: GuideExample) => void;
  readonly onClose: () => void;
}

/** Writing a session on one page. The part that belongs to where the caret is stands open, on top; examples can be taken. */
export const WritingGuide = memo(function WritingGuide({ topic, keys, onTake, onClose }: WritingGuideProps) {
  const here = GUIDE.find((s) => s.topic === topic)!;
  return (
    <section className="guide" aria-label="How a session is written">
      <div className="guide-head">
        <h2>How a session is written</h2>
        <Button type="text" size="small" className="tool" onClick={onClose}>
          close
        </Button>
      </div>
      <div className="guide-here">
        <h3>
          <span className="soft small">where you are</span> {here.title}
        </h3>
        <GuidePart section={here} onTake={onTake} />
      </div>
      {GUIDE.filter((s) => s !== here).map((s) => (
        <details key={s.topic}>
          <summary>{s.title}</summary>
          <GuidePart section={s} onTake={onTake} />
        </details>
      ))}
      <details>
        <summary>Keys</summary>
        <KeyList keys={keys} />
      </details>
    </section>
  );
});

function GuidePart({ section, onTake }: { section: GuideSection; onTake: WritingGuideProps['onTake'] }) {
  return (
    <>
      <p className="soft small">{section.says}</p>
      <ul className="guide-examples">
        {section.examples.map((e) => (
          <li key={e.write}>
            <button type="button" title="Take it into the text" onClick={() => onTake(section.topic, e)}>
              {e.write}
            </button>
            {e.shape && <ClockShapePicture shape={e.shape} />}
            <span className="soft small">{e.means}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
