import { Button, Checkbox, Input, Select } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { printFigure } from '../../core/figure/print-poses.ts';
import { readOwnDrawing } from '../../core/figure/own-drawing.ts';
import type { Figure, View } from '../../core/figure/figure.ts';
import type { Pose } from '../../core/figure/pose.ts';
import { mirror } from '../../core/figure/pose.ts';
import { NAMED_POSES } from '../../core/figure/poses/named.ts';
import { readPose } from '../../core/figure/read-poses.ts';
import { figureOf } from '../../core/figure/figure-of.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { Movement } from '../../core/movement/movement.ts';
import { toSheetFigure } from '../../words/en/figures/sheet-figures.ts';
import { drawingWords } from '../../words/en/figures/drawing-words.ts';
import { FigurePicture } from '../parts/figure/figure-picture.tsx';
import { usePlaying } from '../parts/figure/use-playing.ts';
import { PoseEditor } from './pose-editor.tsx';

const STAND = NAMED_POSES.get('stand')!;
const BLANK: Figure = { view: 'side', goesRound: false, alternates: false, travels: false, poses: [STAND], kit: [] };

/** What a pose can rest on, as the words of a pose say it. */
const RESTS: readonly { readonly value: string; readonly label: string }[] = [
  { value: 'on feet', label: 'both feet' },
  { value: 'on toes', label: 'both balls of the feet' },
  { value: 'on footR', label: 'the right foot' },
  { value: 'on footL', label: 'the left foot' },
  { value: 'on footR toesL', label: 'right foot, left toes' },
  { value: 'on toes hands level', label: 'toes and hands' },
  { value: 'on toes elbows level', label: 'toes and forearms' },
  { value: 'on knees hands level', label: 'knees and hands' },
  { value: 'on knees', label: 'both knees' },
  { value: 'on kneeL footR', label: 'left knee, right foot' },
  { value: 'on seat', label: 'the seat, on the floor' },
  { value: 'on seat@chair feet', label: 'a chair and the feet' },
  { value: 'on seat back', label: 'the back' },
  { value: 'on back feet level', label: 'upper back and feet' },
  { value: 'on chest seat', label: 'the belly' },
  { value: 'air', label: 'nothing: in the air' },
];
const VIEWS: readonly { readonly value: View; readonly label: string }[] = [
  { value: 'side', label: 'from the side' },
  { value: 'front', label: 'from the front' },
  { value: 'quarter', label: 'half from the front' },
  { value: 'rear', label: 'half from behind' },
  { value: 'top', label: 'from above' },
];

/** How long it takes to come to a pose, beside the others. */
const TIMES = [0.5, 1, 1.5, 2, 3];

const touchKey = (pose: Pose): string => JSON.stringify([pose.touches, pose.isLevel]);
const restOf = (pose: Pose): string | undefined =>
  RESTS.find(({ value }) => touchKey(readPose(value, pose, NAMED_POSES)) === touchKey(pose))?.value;

interface DrawItProps {
  readonly movement: Movement;
  readonly library: MovementLibrary;
}

/** A coach draws a movement: poses in a row, joints dragged or moved by keys, played at once. Kept with the movement's form. */
export function DrawIt({ movement, library }: DrawItProps) {
  const [history, setHistory] = useState<readonly Figure[]>(() => [figureOf(movement, library) ?? BLANK]);
  const [step, setStep] = useState(0);
  const [at, setAt] = useState(0);
  const [isOwn, setIsOwn] = useState(movement.drawing !== '');
  const [like, setLike] = useState('');
  const figure = history[step]!;
  const index = Math.min(at, figure.poses.length - 1);
  const pose = figure.poses[index]!;
  const change = (next: Figure) => {
    setHistory([...history.slice(0, step + 1), next]);
    setStep(step + 1);
    setIsOwn(true);
  };
  const setPose = (next: Pose) => change({ ...figure, poses: figure.poses.map((p, i) => (i === index ? next : p)) });
  const text = isOwn ? printFigure(figure) : '';
  const wrong = useMemo(() => (text === '' ? '' : drawingWords(readOwnDrawing(text))), [text]);
  const rest = restOf(pose);
  const found = library.findByName(like);
  const example = found && figureOf(found, library);
  return (
    <fieldset className="draw-it">
      <legend>Drawing</legend>
      <input type="hidden" name="drawing" value={text} />
      <p className="soft small">
        {isOwn
          ? 'Your own. Drag a joint, or move to it with Tab and turn it with the arrow keys.'
          : 'As its name gives it. Drag a joint to make it your own.'}
      </p>
      <PoseEditor pose={pose} view={figure.view} onChange={setPose} />
      <ol className="draw-poses" aria-label="Poses in their order">
        {figure.poses.map((_, i) => (
          <li key={i}>
            <Button
              size="small"
              type={i === index ? 'primary' : 'default'}
              aria-pressed={i === index}
              onClick={() => setAt(i)}
            >
              pose {i + 1}
            </Button>
          </li>
        ))}
      </ol>
      <div className="draw-acts">
        <Button
          size="small"
          onClick={() => {
            change({ ...figure, poses: figure.poses.toSpliced(index + 1, 0, pose) });
            setAt(index + 1);
          }}
        >
          Add a pose
        </Button>
        <Button
          size="small"
          disabled={figure.poses.length < 2}
          onClick={() => {
            change({ ...figure, poses: figure.poses.toSpliced(index, 1) });
            setAt(Math.max(0, index - 1));
          }}
        >
          Take it out
        </Button>
        <Button size="small" onClick={() => setPose(mirror(pose))}>
          Mirror it
        </Button>
        <Button size="small" disabled={step === 0} onClick={() => setStep(step - 1)}>
          Undo
        </Button>
        <Button size="small" disabled={step === history.length - 1} onClick={() => setStep(step + 1)}>
          Redo
        </Button>
      </div>
      <div className="draw-fields">
        <label>
          It rests on
          <Select
            value={rest ?? 'as it is'}
            options={[...(rest ? [] : [{ value: 'as it is', label: 'as it is' }]), ...RESTS]}
            onChange={(value) => {
              if (value !== 'as it is') setPose(readPose(value, pose, NAMED_POSES));
            }}
          />
        </label>
        <label>
          Time to come here
          <Select
            value={pose.weight}
            options={[...new Set([...TIMES, pose.weight])].map((value) => ({ value, label: `${value} ×` }))}
            onChange={(weight) => setPose({ ...pose, weight })}
          />
        </label>
        <label>
          Seen
          <Select value={figure.view} options={[...VIEWS]} onChange={(view) => change({ ...figure, view })} />
        </label>
      </div>
      <div className="panel-spares">
        <Checkbox checked={figure.goesRound} onChange={(e) => change({ ...figure, goesRound: e.target.checked })}>
          {' '}
          from the last pose on to the first
        </Checkbox>
        <Checkbox checked={figure.alternates} onChange={(e) => change({ ...figure, alternates: e.target.checked })}>
          {' '}
          sides in turn
        </Checkbox>
      </div>
      <label>
        Begin like another movement
        <Input
          value={like}
          onChange={(e) => setLike(e.target.value)}
          placeholder="For instance: side lunge"
          maxLength={80}
        />
      </label>
      {like !== '' && (
        <Button
          size="small"
          disabled={!example}
          onClick={() => {
            change({ ...example!, kit: [] });
            setAt(0);
            setLike('');
          }}
        >
          {example ? `Begin like ${found.name}` : 'No drawing of that name'}
        </Button>
      )}
      <Played figure={figure} sec={movement.paceSec.likely} />
      {wrong !== '' && (
        <p className="field-error" role="status">
          {wrong}
        </p>
      )}
      {isOwn && (
        <Button size="small" type="link" onClick={() => setIsOwn(false)}>
          Draw it by its name again
        </Button>
      )}
    </fieldset>
  );
}

/** The whole of it, alive. */
function Played({ figure, sec }: { figure: Figure; sec: number }) {
  const root = useRef<HTMLDivElement>(null);
  const shown = useMemo(() => toSheetFigure(figure, sec), [figure, sec]);
  usePlaying(root, shown.moves ? shown.packed : null);
  return (
    <div className="draw-played" ref={root} key={shown.packed}>
      <FigurePicture figure={shown} />
    </div>
  );
}
