import type { Answer, Mark } from '@veldrift/core';
import { useEffect, useState, type ReactNode } from 'react';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import useMediaQuery from '@mui/material/useMediaQuery';
import { changeSettings, useSettings } from '../../app/settings.ts';
import type { ChildScreens } from '../../live/child/useChildScreens.ts';
import { LetterKey } from '../../parts/LetterKey.tsx';
import { LiveKey } from '../../live/LiveKey.tsx';
import { ChildScreenKey } from './ChildScreenKey.tsx';
import type { Sitter } from './sitter.ts';
import { LastAnswers } from './LastAnswers.tsx';
import { SeenMarks } from './SeenMarks.tsx';
import { VisitLeft } from '../../parts/VisitLeft.tsx';
import { TroubleLine } from './TroubleLine.tsx';

interface Props {
  /** Of the whole table and of the child's field. */
  readonly className?: string;
  readonly fieldClass?: string;
  readonly status: string;
  readonly calm: boolean;
  /** Who plays what, for a screen reader. */
  readonly heading: string;
  readonly title: ReactNode;
  /** One line for the tutor on where things stand. */
  readonly says: string;
  /** What a screen reader is told of the field: the prompt, the judgement, what is to be said now. Left out: the field tells it. */
  readonly told?: string;
  readonly answers: readonly Answer[];
  readonly onMark: (mark: Mark) => void;
  /** ms left, veiled until pressed; null when no time is kept. */
  readonly leftMs: number | null;
  readonly mayPause: boolean;
  readonly mayInterrupt: boolean;
  readonly mayCalm: boolean;
  readonly mayEnd: boolean;
  readonly onPause: (reason: 'pause' | 'interrupted') => void;
  readonly onCalm: () => void;
  readonly onHelp: () => void;
  /** Leaves what has not begun; ends what has. */
  readonly onEnd: () => void;
  /** The child's own screen; null where none is given. */
  readonly screen: ChildScreens | null;
  /** Children who may have a device each; left out: one plays. */
  readonly sitters?: readonly Sitter[];
  /** Hears that the list of screens is open. */
  readonly onScreens: (open: boolean) => void;
  /** In the tutor's margin, between what came before and the marks. */
  readonly middle: ReactNode;
  /** What is wanted at every turn. */
  readonly tools: ReactNode;
  /** What else is wanted now and then: where there is little room it lies behind one key. */
  readonly moreTools?: ReactNode;
  /** The judge keys, or the child's keypad. */
  readonly corner: ReactNode;
  /** Hears that something lies over the table, so that keys are left to it. */
  readonly onOver: (over: boolean) => void;
  readonly children: ReactNode;
}

/** Too little room for a margin beside the field: what is not needed now lies behind one key. */
const littleRoom = '(max-width: 899px), (max-height: 559px)';

/** The live table as it lies on a screen: the child's field, the tutor's margin beside it, below the horizon the strip and the keys. */
export function TableFrame(props: Props) {
  const { hand, arrangement } = useSettings();
  const narrow = useMediaQuery(littleRoom, { noSsr: true });
  const [opened, setOpened] = useState<{ readonly what: 'more' | 'saw'; readonly at: string } | null>(null);
  // A pause, calm, an end: what was wanted has been done. A screen that is turned may need it no more.
  const stands = `${props.status} ${props.calm}`;
  const open = narrow && opened?.at === stands ? opened.what : null;
  // Gone is gone: it does not come back when the screen is turned back.
  if (opened && open === null) setOpened(null);
  const setOpen = (what: 'more' | 'saw' | null) => setOpened(what && { what, at: stands });
  const { onOver } = props;
  useEffect(() => {
    onOver(open !== null);
  }, [onOver, open]);
  const { answers, onMark } = props;
  // A pause may be wanted at any moment: it never hides.
  const pauseKey = (
    <LiveKey className="live-key" disabled={!props.mayPause} onPress={() => props.onPause('pause')}>
      Pause <LetterKey of="pause" />
    </LiveKey>
  );
  const topKeys = (
    <>
      <LiveKey className="live-key" pressed={props.calm} disabled={!props.mayCalm} onPress={props.onCalm}>
        Calm <LetterKey of="calm" />
      </LiveKey>
      <LiveKey className="live-key" onPress={props.onHelp} label="Keys">
        Keys <kbd aria-hidden>?</kbd>
      </LiveKey>
      <LiveKey className="live-key stop" disabled={!props.mayEnd} onPress={props.onEnd}>
        {props.status === 'ready' ? 'Leave' : 'End'}
      </LiveKey>
    </>
  );
  const moreTools = (
    <>
      <LiveKey
        className="live-key"
        disabled={!props.mayInterrupt}
        onPress={() => props.onPause('interrupted')}
      >
        Interrupted <LetterKey of="interrupted" />
      </LiveKey>
      {props.moreTools}
      {props.screen && (
        <ChildScreenKey
          screen={props.screen}
          sitters={props.sitters ?? []}
          flat={arrangement === 'flat'}
          onFlat={(value) => changeSettings({ arrangement: value ? 'flat' : 'side' })}
          onOpen={props.onScreens}
        />
      )}
    </>
  );
  const before = <LastAnswers answers={answers} leftMs={props.leftMs} />;
  const marks = <SeenMarks last={answers.at(-1)} onMark={onMark} />;
  return (
    <div
      className={`live ${hand} ${arrangement === 'flat' ? 'flat' : ''} ${narrow ? 'narrow' : ''} ${props.className ?? ''}`}
    >
      <main className={`field ${props.fieldClass ?? ''}`} data-status={props.status} data-calm={props.calm}>
        <h1 className="sr-only">{props.heading}</h1>
        {props.told !== undefined && (
          <p className="sr-only" aria-live="assertive" data-testid="told">
            {props.told}
          </p>
        )}
        {props.children}
      </main>
      {!narrow && (
        <aside className="margin" aria-label="Tutor's margin">
          <div className="live-top">
            {pauseKey}
            {topKeys}
          </div>
          {before}
          {props.middle}
          {marks}
        </aside>
      )}
      <section className="strip" aria-label="Judging">
        <div className="strip-say">
          <p className="strip-words">
            <TroubleLine>
              {narrow ? null : (
                <span>
                  {props.title}
                  <VisitLeft />
                </span>
              )}
            </TroubleLine>
            <span className="strip-says" aria-live="polite">
              {props.says}
            </span>
          </p>
          <div className="strip-keys">
            {narrow && pauseKey}
            {props.tools}
            {narrow ? (
              <>
                <LiveKey className="live-key" disabled={answers.length === 0} onPress={() => setOpen('saw')}>
                  Saw
                </LiveKey>
                <LiveKey className="live-key" onPress={() => setOpen('more')}>
                  More
                </LiveKey>
              </>
            ) : (
              moreTools
            )}
          </div>
        </div>
        <div className="corner">{props.corner}</div>
      </section>
      {open && (
        <Dialog
          open
          onClose={() => setOpen(null)}
          fullWidth
          maxWidth="xs"
          aria-label={open === 'more' ? 'More' : 'What you saw'}
        >
          <DialogContent className="table-more" tabIndex={0}>
            {open === 'saw' ? (
              <SeenMarks
                last={answers.at(-1)}
                onMark={(mark) => {
                  onMark(mark);
                  setOpen(null);
                }}
              />
            ) : (
              <>
                <p>{props.title}</p>
                <div className="strip-keys">
                  {topKeys}
                  {moreTools}
                </div>
                {before}
                {props.middle}
              </>
            )}
            <LiveKey className="live-key table-close" onPress={() => setOpen(null)}>
              Close
            </LiveKey>
          </DialogContent>
        </Dialog>
      )}
    </div>
  );
}
