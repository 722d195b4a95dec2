import { BleedPanel } from './panels/doing/bleed-panel.tsx';
import { CausePanel } from './panels/judging/cause-panel.tsx';
import { ChoosePanel } from './panels/judging/choose-panel.tsx';
import { CountPanel } from './panels/counting/count-panel.tsx';
import { goesHome, HomePanel } from './panels/fitting/home-panel.tsx';
import { IdentifyPanel } from './panels/identify/identify-panel.tsx';
import { JudgePanel } from './panels/judging/judge-panel.tsx';
import { LookPanel } from './panels/looking/look-panel.tsx';
import { OffPanel } from './panels/strip/off-panel.tsx';
import { MeasurePanel } from './panels/measuring/measure-panel.tsx';
import type { PanelProps } from './panels/panel.tsx';
import { PlainPanel } from './panels/doing/plain-panel.tsx';
import { StandPanel } from './panels/proving/stand-panel.tsx';
import { ReadingPanel } from './panels/reading/reading-panel.tsx';
import { ReworkPanel } from './panels/doing/rework-panel.tsx';
import { SetPanel } from './panels/setting/set-panel.tsx';
import { asksSource, SourcePanel } from './panels/sources/source-panel.tsx';
import { StackPanel } from './panels/stacks/stack-panel.tsx';
import { TightenPanel } from './panels/tightening/tighten-panel.tsx';
import { WaitPanel } from './panels/waiting/wait-panel.tsx';

/** The panel of an operation, by its kind. */
export function MovePanel(props: PanelProps): React.JSX.Element {
  const part = asksSource(props.bench, props.op);
  if (part !== undefined) return <SourcePanel bench={props.bench} part={part} />;
  if (goesHome(props.bench, props.op) && !('minutes' in props.op && props.op.minutes !== undefined))
    return <HomePanel {...props} />;
  switch (props.op.kind) {
    case 'tighten':
      return <TightenPanel {...(props as PanelProps<'tighten'>)} />;
    case 'set':
      return <SetPanel {...(props as PanelProps<'set'>)} />;
    case 'judge':
      return <JudgePanel {...(props as PanelProps<'judge'>)} />;
    case 'choose':
      return <ChoosePanel {...(props as PanelProps<'choose'>)} />;
    case 'test':
      return props.bench.sheet.tests[props.op.test]?.stand ? (
        <StandPanel {...(props as PanelProps<'test'>)} />
      ) : (
        <ReadingPanel {...(props as PanelProps<'read' | 'test'>)} />
      );
    case 'read':
      return <ReadingPanel {...(props as PanelProps<'read' | 'test'>)} />;
    case 'measure':
      return <MeasurePanel {...(props as PanelProps<'measure'>)} />;
    case 'cause':
      return <CausePanel {...(props as PanelProps<'cause'>)} />;
    case 'off':
      return <OffPanel {...(props as PanelProps<'off'>)} />;
    case 'stack':
    case 'restack':
      return <StackPanel {...(props as PanelProps<'stack' | 'restack'>)} />;
    case 'look':
      return <LookPanel {...(props as PanelProps<'look'>)} />;
    case 'identify':
      return <IdentifyPanel {...(props as PanelProps<'identify'>)} />;
    case 'count':
      return <CountPanel {...(props as PanelProps<'count'>)} />;
    case 'rework':
      return <ReworkPanel {...(props as PanelProps<'rework'>)} />;
    case 'cure':
    case 'soak':
    case 'rest':
    case 'heat':
      return props.op.minutes === undefined ? (
        <PlainPanel {...props} />
      ) : (
        <WaitPanel {...(props as PanelProps<'cure' | 'soak' | 'rest' | 'heat'>)} />
      );
    case 'bleed':
      return props.op.strokes === undefined ? (
        <PlainPanel {...props} />
      ) : (
        <BleedPanel {...(props as PanelProps<'bleed'>)} />
      );
    default:
      return <PlainPanel {...props} />;
  }
}
