import type { DocumentView } from '@jubb/contract';
import { convert, formatBand, formatQuantity } from '@jubb/core/quantities';
import type { Joint, Stage } from '@jubb/core/sheet';
import { Whose } from '../../figure-source.tsx';
import { Turning } from '../strip/turning.tsx';
import type { WrenchSetting } from './wrench-setting.ts';

/** The figure of the stage, large: what the wrench is set to, or how far it is turned on; and all that goes with it. */
export function WhatToSet({
  joint,
  stage,
  turn,
  runningNm,
  setting,
  documents,
}: {
  readonly joint: Joint;
  readonly stage: Stage;
  readonly turn: boolean;
  readonly runningNm: number;
  readonly setting: WrenchSetting['reckoned'];
  readonly documents: readonly DocumentView[];
}): React.JSX.Element {
  return (
    <>
      <Turning hand={joint.hand} />
      <div className="quiet fw-bold">{turn ? 'Turn it on by' : 'Set the wrench to'}</div>
      <div className="big">
        {turn ? formatQuantity(stage.to) : (setting?.results.setting.value.toFixed(1) ?? '–')}
        {!turn && <span>{setting?.results.setting.unit}</span>}
      </div>
      <div className="quiet">
        {turn
          ? `${formatBand(stage.window)}, from where the stage before ended`
          : `${atFastener(stage)}${runningNm > 0 ? `, and ${runningNm.toFixed(1)} N·m to turn the nut` : ''}`}
        {stage.windowAssumed ? ', a tenth either way assumed' : ''}
      </div>
      <Whose from={joint.from} documents={documents} />
      {joint.hold && <div className="held">Hold {joint.hold}</div>}
      {joint.threadlocker && (
        <div>
          Threadlocker: {joint.threadlocker}
          {joint.keepClear && <b className="field-error"> Keep it off {joint.keepClear}</b>}
        </div>
      )}
      {setting?.warnings.map((w) => (
        <div key={w} className="field-error">
          {w}
        </div>
      ))}
    </>
  );
}

function atFastener({ window, to }: Stage): string {
  return `${formatBand(window)} at the fastener (${formatQuantity(convert(to, 'ft·lbf'), 1)})`;
}
