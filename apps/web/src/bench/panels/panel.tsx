import type { MeView } from '@jubb/contract';
import type { LadderStep, Op, OpKind, OpOf } from '@jubb/core/sheet';
import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { useKeys } from '../../frame/keys.ts';
import type { Bench } from '../use-bench.ts';

export interface PanelProps<K extends OpKind = OpKind> {
  readonly bench: Bench;
  readonly step: LadderStep;
  readonly op: Op & OpOf<K>;
  readonly me: MeView;
}

/** The one wide button that completes the move, and the key that presses it. */
export function Go({
  label,
  keyName = 'Enter',
  act,
  disabled = false,
}: {
  readonly label: ReactNode;
  readonly keyName?: 'Enter' | 'space';
  readonly act: () => void;
  readonly disabled?: boolean;
}): React.JSX.Element {
  useKeys({ [keyName === 'space' ? 'take' : 'go']: disabled ? undefined : act });
  return (
    <Button variant="go" className="mt-auto" onClick={act} disabled={disabled}>
      <span>{label}</span>
      <kbd>{keyName}</kbd>
    </Button>
  );
}
