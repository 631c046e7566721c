import type { ClockState, Hurt } from '../../../core/clock/clock.ts';
import { openQuestion } from '../../../core/clock/clock.ts';
import { seenScores } from '../../../core/clock/seen-scores.ts';
import type { Stage } from '../../../core/clock/stage.ts';
import type { SheetFigures } from '../../../core/figure/sheet-figure.ts';
import { scoresAgain } from '../../../core/record/scores/again.ts';
import { readScores } from '../../../core/record/scores/score.ts';
import { againWords } from '../../../words/en/record/scores.ts';
import { hasWork, spokenDose } from '../../../core/clock/stage.ts';
import type { PackedRibbon } from '../../charts/session/pack-ribbon.ts';
import { ClockQuestion } from './clock-question.tsx';
import type { ShapePlace } from './clock-sheets.tsx';
import { HurtSheet, OptionButtons, ShapeSheet } from './clock-sheets.tsx';
import { AfterFace, GivenUpFace } from './faces/after-face.tsx';
import type { WarmUp } from './faces/before-face.tsx';
import { BeforeFace } from './faces/before-face.tsx';
import { StageButtons } from './faces/stage-buttons.tsx';
import { StageFace } from './faces/stage-face.tsx';
import type { FewerChoice } from './fewer-choice.ts';
import { shapePlaces } from './shape-places.ts';
import type { ClockSettings } from './use-clock.ts';
import { useClock } from './use-clock.ts';

interface ClockScreenProps extends ClockSettings {
  readonly title: string;
  readonly ribbon: PackedRibbon;
  /** Two short lines on how a movement is done, by its name. */
  readonly cues: Readonly<Record<string, readonly string[]>>;
  /** What each movement looks like. */
  readonly figures: SheetFigures;
  /** What to warm up with where the session has nothing for it; null where it has. */
  readonly warmUp: WarmUp | null;
}

/** The clock that a participant follows, read from two metres. */
export function ClockScreen(props: ClockScreenProps) {
  const { title, totalSec, ribbon, ladders, cues, figures, back } = props;
  const clock = useClock(props);
  const { state, shown, view, send, logLink } = clock;
  if (!state)
    return <BeforeFace {...{ title, totalSec, clock, back }} warmUp={props.warmUp} isEmpty={shown.length === 0} />;
  if (clock.isGivenUp) return <GivenUpFace {...{ logLink, back }} />;
  const question = (at: number | undefined) =>
    at !== undefined && (
      <ClockQuestion
        key={at}
        stage={shown[at]!}
        taps={clock.tapsAt(at)}
        onAnswer={(value) => send({ kind: 'answer', stage: at, value })}
      />
    );
  if (!view)
    return (
      <AfterFace {...{ title, logLink }} again={seenAgain(state, shown, props)} onBack={() => send('back')}>
        {question(openQuestion(state, shown))}
      </AfterFace>
    );
  const { stage, isPaused, asked } = view;
  const onNumbers = ({ change }: FewerChoice) => send({ kind: 'change', change });
  const places = shapePlaces(props.stages, state.stage, state.changes, ladders);
  const onChoose = (place: ShapePlace, option: number) =>
    send({
      kind: 'change',
      change: { kind: 'option', from: state.stage, block: place.block, item: place.item, option },
    });
  // One line's options stand on the clock itself until one is taken; a list's behind its button.
  const open = stage.item !== null && hasWork(stage) ? places.find((p) => p.options.length > 0) : undefined;
  const choice = open?.option === null ? <OptionButtons place={open} onChoose={onChoose} /> : undefined;
  const names = stage.kind === 'work' || stage.kind === 'span' ? places.map((p) => p.name) : [];
  return (
    <main
      className={`clock is-running is-${stage.kind}${stage.offersRound ? ' is-offer' : ''}${isPaused ? ' is-paused' : ''}`}
    >
      <ClockSheet {...{ clock, places, figures, onNumbers, onChoose }} stageAt={state.stage} />
      <div
        className={`clock-body${stage.taps ? ' is-tapped' : ''}`}
        onClick={(event) => {
          // Wet hands hit the screen, not a button: anywhere on it counts.
          if (stage.taps && !isPaused && !(event.target as Element).closest('button, a, input, .clock-question'))
            clock.countTap();
        }}
      >
        <StageFace
          view={view}
          choice={choice}
          figures={figures}
          onSay={clock.sayNumber}
          cues={!choice && names.length === 1 ? (cues[names[0]!] ?? []) : []}
        />
        {question(asked)}
        <p className="clock-flash" role="status">
          {isPaused ? 'Paused' : clock.flash}
        </p>
        {/* What a voice would say: without it a screen reader does. */}
        <p className="sr" aria-live="assertive">
          {clock.heard.voice !== 'off' ? '' : spokenDose(stage.figure, stage.title, stage.sides)}
        </p>
      </div>
      <StageButtons
        {...{ view, clock, ribbon, onNumbers }}
        isOver={state.overStages.includes(state.stage)}
        hasShapes={places.length > 0}
        hasChoice={places.some((p) => p.options.length > 0)}
      />
    </main>
  );
}

/** What the clock saw of blocks that were done twice, in words. */
function seenAgain(
  state: ClockState,
  shown: readonly Stage[],
  { scored, toMatch }: Pick<ClockScreenProps, 'scored' | 'toMatch'>,
): string[] {
  const seen = seenScores(state, shown, scored);
  const { scores } = readScores(scored, (name) => seen[name] ?? '');
  return scoresAgain(toMatch.sameAs, scores, () => undefined).map((again) => againWords(again, false));
}

interface ClockSheetProps {
  readonly clock: ReturnType<typeof useClock>;
  readonly places: ReturnType<typeof shapePlaces>;
  readonly figures: SheetFigures;
  readonly onNumbers: (choice: FewerChoice) => void;
  readonly onChoose: (place: ShapePlace, option: number) => void;
  readonly stageAt: number;
}

/** What lies over the clock: another shape, or what hurts. */
function ClockSheet({ clock, places, figures, onNumbers, onChoose, stageAt: from }: ClockSheetProps) {
  const { sheet, setSheet, send } = clock;
  const onClose = () => setSheet(null);
  if (sheet === 'shapes')
    return (
      <ShapeSheet
        places={places}
        figures={figures}
        numbers={clock.numbers}
        onClose={onClose}
        onNumbers={(choice) => {
          onNumbers(choice);
          onClose();
        }}
        onChoose={(place, option) => {
          onChoose(place, option);
          onClose();
        }}
        onStep={(place, by) => {
          const at = { block: place?.block ?? null, item: place?.item ?? null };
          send({ kind: 'change', change: { kind: 'step', from, ...at, by } });
          onClose();
        }}
      />
    );
  if (sheet === 'hurt')
    return (
      <HurtSheet
        places={places}
        onClose={onClose}
        onHurt={(place, { area, did, to }) => {
          const hurt: Hurt = { block: place.block, movement: place.name, area, did, to };
          const swap = { kind: 'swap', from, movement: place.movement } as const;
          if (did !== 'ended') send({ kind: 'change', change: { ...swap, to: did === 'stand-in' ? to : null } });
          clock.sayHurt(hurt);
        }}
      />
    );
  return null;
}
