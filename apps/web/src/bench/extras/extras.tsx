import type { FloorView } from '@jubb/contract';
import type { LadderStep } from '@jubb/core/sheet';
import { useEffect, useRef } from 'react';
import type { Bench } from '../use-bench.ts';
import { AddForm } from './add-form.tsx';
import { CorrectForm } from './correct-form.tsx';
import { EndForm } from './end-form.tsx';
import { NoteForm } from './note-form.tsx';
import { PhotoForm } from './photo-form.tsx';
import { SurpriseForm } from './surprise-form.tsx';
import { WaitForm } from './wait-form.tsx';

/** What can be put on record at any time, beside the move. */
export type Extra = 'surprise' | 'note' | 'add' | 'photo' | 'wait' | 'end' | 'correct';

export function Extras({
  kind,
  bench,
  floor,
  step,
  go,
  close,
}: {
  readonly kind: Extra;
  readonly bench: Bench;
  readonly floor: FloorView | undefined;
  /** The step at hand, or the one that is looked at. */
  readonly step: LadderStep | undefined;
  /** To another of them. */
  readonly go: (kind: Extra) => void;
  readonly close: () => void;
}): React.JSX.Element {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    box.current?.querySelector<HTMLElement>('[aria-checked="true"], input, select')?.focus();
  }, [kind]);
  return (
    <div className="extra" ref={box}>
      {kind === 'surprise' && <SurpriseForm bench={bench} close={close} />}
      {kind === 'note' && <NoteForm bench={bench} close={close} />}
      {kind === 'add' && <AddForm bench={bench} close={close} />}
      {kind === 'photo' && <PhotoForm bench={bench} close={close} />}
      {kind === 'correct' && <CorrectForm bench={bench} step={step} close={close} />}
      {kind === 'end' && <EndForm bench={bench} close={close} />}
      {kind === 'wait' && <WaitForm bench={bench} floor={floor} end={() => go('end')} close={close} />}
    </div>
  );
}
