import { nutBackOff, ReckonError, thermalShift } from '../../reckoners/index.ts';
import type { Sheet } from '../types.ts';
import { opsOf, type Report, type Rule } from './rule.ts';

/** A setting is reached, by a way that can reach it. */
export const settingRules: readonly Rule[] = [
  settingsAreSet,
  methodsAreChosen,
  nutsCanLock,
  heatIsKnown,
  pullsAreTorques,
];

function settingsAreSet(sheet: Sheet, report: Report): void {
  const ops = opsOf(sheet, 'set');
  const set = new Set(ops.map(({ op }) => op.setting));
  const along = new Set(ops.flatMap(({ op }) => sheet.settings[op.setting]?.together ?? []));
  for (const setting of Object.values(sheet.settings)) {
    if (!set.has(setting.id) && !along.has(setting.id))
      report(['settings', setting.id], 'never-set', `"${setting.title}" is never set`, 'warning');
    if (set.has(setting.id) && along.has(setting.id))
      report(
        ['settings', setting.id],
        'set-twice',
        `"${setting.title}" is set along with another, and by a step of its own`,
      );
  }
}

/** The method that says how is asked before its setting is made: below it on the ladder, or earlier in its own step. */
function methodsAreChosen(sheet: Sheet, report: Report): void {
  for (const setting of Object.values(sheet.settings)) {
    if (setting.by === undefined) continue;
    const asked = opsOf(sheet, 'choose').find(({ op }) => op.method === setting.by);
    if (!asked)
      report(
        ['settings', setting.id, 'by'],
        'method-never-chosen',
        `nobody is asked how "${setting.title}" is reached`,
      );
  }
}

function nutsCanLock(sheet: Sheet, report: Report): void {
  for (const setting of Object.values(sheet.settings))
    for (const method of Object.values(setting.methods ?? {})) {
      if (method.kind !== 'nut' || method.slots === undefined) continue;
      const { results } = nutBackOff.reckon({
        threadPitch: method.pitch,
        targetBand: [setting.band.low, setting.band.high],
        slots: method.slots,
        holes: method.holes,
      });
      if (results.reachable !== 'yes')
        report(
          ['settings', setting.id],
          'nut-may-not-lock',
          `${method.slots} slots lock inside the band from ${Math.round(results.share?.value ?? 0)} % of starts only: the bench will have to name a washer`,
          'warning',
        );
    }
}

function heatIsKnown(sheet: Sheet, report: Report): void {
  for (const setting of Object.values(sheet.settings)) {
    if (!setting.hot) continue;
    const { span, rise, caseMaterial, shaftMaterial, arrangement } = setting.hot;
    try {
      thermalShift.reckon({ span, temperatureRise: rise, caseMaterial, shaftMaterial, arrangement });
    } catch (e) {
      if (!(e instanceof ReckonError)) throw e;
      report(['settings', setting.id, 'hot'], e.code, e.message);
    }
  }
}

function pullsAreTorques(sheet: Sheet, report: Report): void {
  for (const setting of Object.values(sheet.settings))
    if (setting.pull && setting.dimension !== 'torque')
      report(
        ['settings', setting.id, 'pull'],
        'pull-of-no-torque',
        `a pull on a cord stands for a torque; "${setting.title}" is a ${setting.dimension}`,
      );
}
