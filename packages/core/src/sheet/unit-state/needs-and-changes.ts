import type { OpKind, OpOf } from '../ops.ts';
import { settlesItsNut } from '../setting.ts';
import { formatQuantity, inCanonical } from '../../quantities/index.ts';
import type { Sheet, Test } from '../types.ts';
import {
  absentFaults,
  fault,
  jointTitle,
  loadFaults,
  pressureFaults,
  reachFaults,
  runFaults,
  TIGHT,
  titleOf,
  titles,
  type Fault,
} from './faults.ts';
import { closersOf, heldBy, inTheWay, isOn, spacesAround, spacesOf } from './in-the-way.ts';
import type { UnitState } from './state.ts';

/** What a kind of operation needs, and what it makes of the unit. Both read only what is named in the sheet. */
export interface Rule<K extends OpKind> {
  readonly needs?: (op: OpOf<K>, sheet: Sheet, state: UnitState) => readonly Fault[];
  readonly changes?: (op: OpOf<K>, sheet: Sheet, state: UnitState) => void;
}
type Table = { readonly [K in OpKind]: Rule<K> };

const place: Rule<'place' | 'press' | 'seal'> = {
  needs: (op, sheet, state) => {
    const { part } = op;
    if (part === undefined) return [];
    const sits = sheet.parts[part]?.sits;
    const out: Fault[] = [];
    if (state.parts.get(part) === 'on') out.push(fault('placed-twice', `"${titleOf(sheet, part)}" is on already`));
    const seat = [sits?.on, sits?.in].filter(
      (s): s is string => s !== undefined && sheet.parts[s] !== undefined && !isOn(state, s),
    );
    // A part is fitted into another on the bench as well as on the unit: only what carries it must be there.
    if (sits?.on !== undefined && seat.includes(sits.on) && !sheet.parts[sits.on]!.sits?.with)
      out.push(
        fault('nothing-to-sit-on', `"${titleOf(sheet, part)}" sits on ${titles(sheet, [sits.on])}, which is not on`),
      );
    const behind = (sits?.behind ?? []).filter((b) => isOn(state, b));
    const shut = spacesOf(sheet, part)
      .flatMap((s) => closersOf(sheet, state, s))
      .filter((p) => p !== part && !behind.includes(p));
    if (shut.length > 0)
      out.push(
        fault(
          'through-a-closed-door',
          `"${titleOf(sheet, part)}" cannot go in: ${titles(sheet, shut)} shut${shut.length > 1 ? '' : 's'} it out`,
        ),
      );
    else if (behind.length > 0)
      out.push(fault('in-the-way', `"${titleOf(sheet, part)}" cannot go in: ${titles(sheet, behind)} in the way`));
    return out;
  },
  changes: (op, sheet, state) => {
    if (op.part === undefined) return;
    state.parts.set(op.part, op.to === 'half' ? 'half' : 'on');
    for (const p of Object.values(sheet.parts)) if (p.sits?.with === op.part) state.parts.set(p.id, 'on');
    for (const j of Object.values(sheet.joints))
      if (j.fastener === op.part && state.joints.get(j.id) === 'none') state.joints.set(j.id, 'hand');
    if (state.hot === op.part) state.hot = undefined;
  },
};
/** Time passes: what was hot is cold. */
const timed: Rule<'cure' | 'soak' | 'rest'> = {
  needs: (op, sheet, state) =>
    state.hot === undefined
      ? []
      : [fault('window-is-past', `"${titleOf(sheet, state.hot)}" cools while this waits: place it first`)],
  changes: (op, _sheet, state) => {
    state.hot = undefined;
    state.rested += op.minutes ?? 0;
    if (op.kind === 'cure') for (const part of state.lockers.keys()) state.lockers.set(part, 'cured');
  },
};
const plain = {};

/**
 * The one table: what each kind of operation needs of the unit, and what it makes of it. The lint works every ladder
 * through it. Common practice throughout.
 */
export const needsAndChanges: Table = {
  caution: plain,
  do: plain,
  helper: plain,
  identify: plain,
  look: {
    needs: (op, sheet, state) => {
      const part = sheet.looks[op.look]?.part;
      return part === undefined || !isOn(state, part) ? [] : reachFaults(sheet, state, part, 'cannot-be-seen');
    },
  },
  choose: { changes: (op, _sheet, state) => void state.chosen.add(op.method) },
  judge: { changes: (op, _sheet, state) => op.parts.forEach((p) => state.judged.add(p)) },
  cause: plain,
  scrap: { changes: (op, _sheet, state) => void state.parts.set(op.part, 'off') },
  stack: plain,
  restack: plain,
  clean: plain,
  confirm: plain,
  count: plain,
  rework: plain,
  lubricate: plain,
  lift: { changes: (_op, _sheet, state) => void (state.lifted = true) },
  lower: { changes: (_op, _sheet, state) => void (state.lifted = false) },
  'fit-aid': {
    needs: (op, sheet, state) => {
      const { on } = sheet.aids[op.aid] ?? {};
      return on !== undefined && sheet.parts[on] !== undefined && !isOn(state, on)
        ? [fault('aid-on-nothing', `"${sheet.aids[op.aid]!.title}" sits on "${titleOf(sheet, on)}", which is off`)]
        : [];
    },
    changes: (op, sheet, state) => {
      state.aids.add(op.aid);
      for (const l of Object.values(sheet.loads)) if (l.loadedBy === op.aid) state.letDown.delete(l.id);
    },
  },
  'remove-aid': {
    needs: (op, sheet, state) => {
      const aid = sheet.aids[op.aid];
      if (!aid) return [];
      if (!state.aids.has(op.aid)) return [fault('aid-not-in', `"${aid.title}" is not in`)];
      const { on } = aid;
      const out: Fault[] = [];
      if (on !== undefined && sheet.parts[on] !== undefined && !isOn(state, on))
        out.push(
          fault('aid-host-off', `"${aid.title}" comes out after "${titleOf(sheet, on)}", on which it sits, is off`),
        );
      for (const load of Object.values(sheet.loads).filter((l) => l.loadedBy === op.aid && !state.letDown.has(l.id))) {
        const loose = load.frees.filter((f) =>
          sheet.joints[f] ? !TIGHT.includes(state.joints.get(f) ?? 'none') : !isOn(state, f),
        );
        if (loose.length > 0 && (load.part === undefined || isOn(state, load.part)))
          out.push(
            fault(
              'load-set-free',
              `"${load.title}" is let go while ${loose.map((f) => `"${sheet.joints[f]?.title ?? titleOf(sheet, f)}"`).join(', ')} ${loose.length > 1 ? 'do' : 'does'} not hold it`,
            ),
          );
      }
      return out;
    },
    changes: (op, _sheet, state) => void state.aids.delete(op.aid),
  },
  mark: {
    needs: (op, sheet, state) => {
      const mark = sheet.marks[op.mark];
      if (!mark) return [];
      const gone = mark.between.filter((p) => !isOn(state, p));
      const loose = Object.values(sheet.joints).filter(
        (j) =>
          (state.joints.get(j.id) === 'none' || state.joints.get(j.id) === 'slack') &&
          mark.between.some((p) => j.clamps?.includes(p)),
      );
      if (gone.length > 0)
        return [fault('mark-after-it-moved', `"${mark.title}" is made after ${titles(sheet, gone)} came off`)];
      if (loose.length > 0)
        return [
          fault(
            'mark-after-it-moved',
            `"${mark.title}" is made after "${jointTitle(sheet, loose[0]!.id)}" was loosened`,
          ),
        ];
      const hidden = mark.between.filter((p) => state.covered.has(p));
      return hidden.length > 0
        ? [fault('mark-on-what-is-covered', `"${mark.title}" cannot be made: ${titles(sheet, hidden)} covered over`)]
        : [];
    },
    changes: (op, _sheet, state) => void state.marks.add(op.mark),
  },
  align: {
    needs: (op, sheet, state) => {
      const mark = sheet.marks[op.mark];
      const off = (mark?.between ?? []).filter((p) => !isOn(state, p));
      if (off.length > 0)
        return [
          fault(
            'aligned-before-it-is-on',
            `"${mark!.title}" is lined up while ${titles(sheet, off)} ${off.length > 1 ? 'are' : 'is'} off`,
          ),
        ];
      const tight = Object.values(sheet.joints).find(
        (j) =>
          state.joints.get(j.id) === 'final' &&
          state.marks.has(op.mark) &&
          j.clamps !== undefined &&
          mark!.between.every((p) => j.clamps!.includes(p)),
      );
      return tight
        ? [fault('aligned-when-tight', `"${mark!.title}" is lined up after "${jointTitle(sheet, tight.id)}" is tight`)]
        : [];
    },
  },
  disconnect: {
    needs: (op, sheet, state) => [
      ...pressureFaults(sheet, state, op.lead),
      ...(state.leadsOff.has(op.lead)
        ? [fault('parted-twice', `"${sheet.leads[op.lead]?.title}" is parted already`)]
        : []),
    ],
    changes: (op, _sheet, state) => void state.leadsOff.add(op.lead),
  },
  reconnect: {
    needs: (op, sheet, state) =>
      Object.values(sheet.aids)
        .filter((a) => a.on === op.lead && state.aids.has(a.id))
        .map((a) =>
          fault('cap-left-in', `"${a.title}" is shut in: it comes out before "${sheet.leads[op.lead]?.title}" goes on`),
        ),
    changes: (op, _sheet, state) => void state.leadsOff.delete(op.lead),
  },
  slacken: {
    needs: (op, sheet, state) => [
      ...pressureFaults(sheet, state, op.joint),
      ...loadFaults(sheet, state, op.joint, `Slackening "${jointTitle(sheet, op.joint)}"`),
    ],
    changes: (op, _sheet, state) => void state.joints.set(op.joint, 'slack'),
  },
  undo: {
    needs: (op, sheet, state) => {
      const joint = sheet.joints[op.joint];
      return [
        ...(state.joints.get(op.joint) === 'none'
          ? [fault('undone-twice', `"${jointTitle(sheet, op.joint)}" is undone already`)]
          : []),
        ...pressureFaults(sheet, state, op.joint),
        ...loadFaults(sheet, state, op.joint, `Undoing "${jointTitle(sheet, op.joint)}"`),
        ...(joint ? reachFaults(sheet, state, joint.fastener) : []),
      ];
    },
    changes: (op, _sheet, state) => void state.joints.set(op.joint, op.leaveIn === undefined ? 'none' : 'slack'),
  },
  'last-out': { changes: (op, _sheet, state) => void state.joints.set(op.joint, 'none') },
  start: {
    changes: (op, sheet, state) => {
      state.joints.set(op.joint, 'hand');
      const fastener = sheet.joints[op.joint]?.fastener;
      if (fastener !== undefined) state.parts.set(fastener, 'on');
    },
  },
  'swing-aside': {
    needs: (op, sheet, state) => reachFaults(sheet, state, op.part),
    changes: (op, _sheet, state) => void state.parts.set(op.part, 'off'),
  },
  hang: { changes: (op, _sheet, state) => void state.parts.set(op.part, 'off') },
  refit: { changes: (op, _sheet, state) => void state.parts.set(op.part, 'on') },
  off: {
    needs: (op, sheet, state) =>
      op.parts.flatMap(({ part, count }) => {
        const p = sheet.parts[part];
        if (!p) return [];
        const out: Fault[] = [];
        if (!isOn(state, part) && count >= p.count) out.push(fault('off-twice', `"${p.title}" is off already`));
        const also = new Set(op.parts.map((o) => o.part));
        const way = inTheWay(sheet, state, part).filter((w) => !also.has(w));
        if (way.length > 0)
          out.push(fault('in-the-way', `"${p.title}" cannot come off: ${titles(sheet, way)} in the way`));
        const held = heldBy(sheet, state, part);
        if (held.length > 0)
          out.push(fault('still-fastened', `"${p.title}" is still held by "${jointTitle(sheet, held[0]!)}"`));
        out.push(...loadFaults(sheet, state, part, `Taking "${p.title}" off`));
        const aids = Object.values(sheet.aids).filter(
          (a) => a.on === part && state.aids.has(a.id) && !a.leaves && comesOut(sheet, a.id),
        );
        if (aids.length > 0) out.push(fault('aid-still-on', `"${aids[0]!.title}" is still on "${p.title}"`));
        return out;
      }),
    changes: (op, sheet, state) => {
      for (const { part } of op.parts) {
        state.parts.set(part, 'off');
        for (const p of Object.values(sheet.parts)) if (p.sits?.with === part) state.parts.set(p.id, 'off');
        state.lockers.delete(part);
        if (state.hot === part) state.hot = undefined;
      }
      for (const way of op.by) if (way.saves !== undefined) state.parts.set(way.saves, 'off');
    },
  },
  measure: {
    needs: (op, sheet, state) => {
      const measure = sheet.measures[op.measure];
      if (!measure) return [];
      const loaded = Object.values(sheet.loads).find((l) => l.part === measure.part && state.aids.has(l.loadedBy));
      if (loaded)
        return [
          fault(
            'measured-under-load',
            `"${measure.title}" is read while "${sheet.aids[loaded.loadedBy]?.title}" holds "${loaded.title}"`,
          ),
        ];
      return isOn(state, measure.part) ? reachFaults(sheet, state, measure.part, 'cannot-be-reached') : [];
    },
  },
  read: {
    needs: (op, sheet, state) =>
      absentFaults(sheet, state, sheet.settings[op.setting]?.of, sheet.settings[op.setting]?.title ?? op.setting),
  },
  set: {
    needs: (op, sheet, state) => {
      const setting = sheet.settings[op.setting];
      if (!setting) return [];
      const seat = setting.seat?.joint;
      return [
        ...absentFaults(sheet, state, setting.of, setting.title),
        ...(seat !== undefined && state.joints.get(seat) === 'none'
          ? [fault('set-before-its-nut', `"${setting.title}" is set before "${jointTitle(sheet, seat)}" is on`)]
          : []),
        ...(seat !== undefined && state.byHearsay.has(seat)
          ? [
              fault(
                'hearsay-as-a-setting',
                `"${jointTitle(sheet, seat)}" is pulled by hearsay before "${setting.title}" is read: a torque that nobody stands for is no setting`,
              ),
            ]
          : []),
      ];
    },
    changes: (op, sheet, state) => {
      const setting = sheet.settings[op.setting];
      if (setting?.seat && settlesItsNut(setting)) state.joints.set(setting.seat.joint, 'final');
    },
  },
  test: {
    needs: (op, sheet, state) => {
      const test = sheet.tests[op.test];
      if (!test) return [];
      const at = test.at ?? op.at;
      return [
        ...(at !== undefined && at !== state.place
          ? [fault('not-there', `"${test.title}" is made on the ${at}, and the unit is on the ${state.place}`)]
          : []),
        ...(test.running ? runFaults(sheet, state) : []),
        ...standsAs(test, state),
        ...absentFaults(sheet, state, test.of, test.title),
      ];
    },
  },
  inspect: {
    needs: (op, sheet, state) =>
      op.part === undefined || !isOn(state, op.part) ? [] : reachFaults(sheet, state, op.part, 'cannot-be-seen'),
  },
  protect: { changes: (op, _sheet, state) => void (op.part !== undefined && state.covered.add(op.part)) },
  place,
  press: place,
  seal: place,
  heat: {
    needs: (op, sheet, state) => {
      const spaces = op.part === undefined ? [] : spacesAround(sheet, op.part);
      return spaces.flatMap((s) => {
        const space = sheet.spaces[s]!;
        const plugs = Object.values(sheet.aids).filter(
          (a) => state.aids.has(a.id) && a.on !== undefined && space.ports.includes(a.on),
        );
        if (state.full.has(s))
          return [
            fault(
              'heat-on-a-wet-space',
              `"${space.title}" still holds ${sheet.fluids[space.holds ?? '']?.title ?? 'its fluid'}: drain it before heat`,
            ),
          ];
        return plugs.length > 0
          ? [
              fault(
                'heat-on-a-closed-space',
                `"${space.title}" is plugged by "${plugs[0]!.title}": open it before heat, or it bursts`,
              ),
            ]
          : [];
      });
    },
    changes: (op, _sheet, state) => void (state.hot = op.part),
  },
  threadlock: {
    needs: (op, sheet, state) => {
      const part = op.part ?? sheet.joints[op.what]?.fastener;
      return part !== undefined && isOn(state, part) && op.with !== 'wicking'
        ? [
            fault(
              'locker-too-late',
              `"${titleOf(sheet, part)}" is in already: threadlocker goes on before it is placed`,
            ),
          ]
        : [];
    },
    changes: (op, sheet, state) => {
      const part = op.part ?? sheet.joints[op.what]?.fastener;
      if (part !== undefined) state.lockers.set(part, 'wet');
    },
  },
  fill: {
    needs: (op, sheet, state) =>
      Object.values(sheet.spaces)
        .filter((s) => s.holds === op.what)
        .flatMap((s) => {
          const drain = s.drain;
          const open =
            drain !== undefined && (sheet.joints[drain] ? state.joints.get(drain) !== 'final' : !isOn(state, drain));
          const off = Object.values(sheet.parts).filter((p) => p.sits?.closes.includes(s.id) && !isOn(state, p.id));
          return [
            ...(open
              ? [
                  fault(
                    'fill-runs-out',
                    `"${s.title}" is filled while its drain, "${sheet.joints[drain]?.title ?? titleOf(sheet, drain)}", is not tight`,
                  ),
                ]
              : []),
            ...(off.length > 0
              ? [
                  fault(
                    'fill-with-it-open',
                    `"${s.title}" is filled while ${titles(
                      sheet,
                      off.map((p) => p.id),
                    )} ${off.length > 1 ? 'are' : 'is'} off`,
                  ),
                ]
              : []),
            ...(state.full.has(s.id)
              ? [fault('filled-and-never-drained', `"${s.title}" is filled on top of what is in it: drain it first`)]
              : []),
          ];
        }),
    changes: (op, sheet, state) =>
      Object.values(sheet.spaces).forEach((s) => void (s.holds === op.what && state.full.add(s.id))),
  },
  drain: {
    changes: (op, sheet, state) =>
      Object.values(sheet.spaces).forEach((s) => {
        if (s.id !== op.what && s.holds !== op.what) return;
        state.full.delete(s.id);
      }),
  },
  'let-down': {
    needs: (op, sheet, state) => {
      const load = sheet.loads[op.what];
      return load && !state.aids.has(load.loadedBy)
        ? [
            fault(
              'load-set-free',
              `"${load.title}" is let down while "${sheet.aids[load.loadedBy]?.title}" does not hold it`,
            ),
          ]
        : [];
    },
    changes: (op, sheet, state) => {
      state.pressure.delete(op.what);
      if (sheet.loads[op.what]) state.letDown.add(op.what);
    },
  },
  bleed: plain,
  cure: timed,
  soak: timed,
  rest: timed,
  tighten: {
    needs: (op, sheet, state) => {
      const joint = sheet.joints[op.joint];
      const off = (joint?.clamps ?? []).filter((p) => !isOn(state, p));
      return off.length > 0
        ? [
            fault(
              'tightened-over-nothing',
              `"${jointTitle(sheet, op.joint)}" is tightened while ${titles(sheet, off)} ${off.length > 1 ? 'are' : 'is'} off`,
            ),
          ]
        : [];
    },
    changes: (op, sheet, state) => {
      const joint = sheet.joints[op.joint];
      state.joints.set(op.joint, op.through === undefined ? 'final' : 'stage');
      if (joint) state.parts.set(joint.fastener, 'on');
      if (joint?.from?.kind === 'hearsay') state.byHearsay.add(op.joint);
    },
  },
  'lock-off': {
    changes: (_op, _sheet, state) => {
      state.lockedOff = true;
      state.running = false;
    },
  },
  'let-run': { changes: (_op, _sheet, state) => void (state.lockedOff = false) },
  run: {
    needs: (_op, sheet, state) => runFaults(sheet, state),
    changes: (_op, _sheet, state) => {
      state.running = true;
      state.rested = 0;
    },
  },
  move: {
    changes: (op, _sheet, state) => {
      state.place = op.what as UnitState['place'];
      state.running = false;
    },
  },
};

/** A test that wants the weight on the wheels, the vehicle lifted, or a rest before it. */
function standsAs(test: Test, state: UnitState): readonly Fault[] {
  const after = test.after === undefined ? 0 : inCanonical(test.after, 'time') / 60;
  return [
    ...(test.weight === 'on wheels' && state.lifted
      ? [fault('not-on-its-wheels', `"${test.title}" is made on its wheels, and it is lifted`)]
      : []),
    ...(test.weight === 'lifted' && !state.lifted
      ? [fault('not-lifted', `"${test.title}" is made lifted, and it stands on its wheels`)]
      : []),
    ...(state.rested < after
      ? [
          fault(
            'not-rested',
            `"${test.title}" is made after ${formatQuantity(test.after!)}, and it has stood ${Math.round(state.rested)} min`,
          ),
        ]
      : []),
  ];
}

/** Does any step take an aid out? One that stays for ever is refused for that. */
const comesOut = (sheet: Sheet, aid: string): boolean =>
  sheet.steps.some((st) => st.ops.some((o) => o.kind === 'remove-aid' && o.aid === aid));
