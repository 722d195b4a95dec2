import { AdjustPanel } from './panels/adjust-panel.tsx';
import { ChoosePanel } from './panels/choose-panel.tsx';
import { CountPanel } from './panels/count-panel.tsx';
import { IdentifyPanel } from './panels/identify-panel.tsx';
import { JudgePanel } from './panels/judge-panel.tsx';
import { LookPanel } from './panels/look-panel.tsx';
import { OffPanel } from './panels/off-panel.tsx';
import type { PanelProps } from './panels/panel.tsx';
import { PlainPanel } from './panels/plain-panel.tsx';
import { ReadingPanel } from './panels/reading-panel.tsx';
import { ReworkPanel } from './panels/rework-panel.tsx';
import { SetPanel } from './panels/set-panel.tsx';
import { StackPanel } from './panels/stack-panel.tsx';
import { TightenPanel } from './panels/tighten-panel.tsx';
import { WaitPanel } from './panels/wait-panel.tsx';

/** The panel of an operation, by its kind. */
export function MovePanel(props: PanelProps): React.JSX.Element {
  switch (props.op.kind) {
    case 'tighten':
      return <TightenPanel {...(props as PanelProps<'tighten'>)} />;
    case 'set':
      return props.bench.sheet.settings[props.op.setting]?.shims ? (
        <SetPanel {...(props as PanelProps<'set'>)} />
      ) : (
        <AdjustPanel {...(props as PanelProps<'set'>)} />
      );
    case 'judge':
      return <JudgePanel {...(props as PanelProps<'judge'>)} />;
    case 'choose':
      return <ChoosePanel {...(props as PanelProps<'choose'>)} />;
    case 'read':
    case 'test':
    case 'measure':
      return <ReadingPanel {...(props as PanelProps<'read' | 'test' | 'measure'>)} />;
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
    default:
      return <PlainPanel {...props} />;
  }
}
