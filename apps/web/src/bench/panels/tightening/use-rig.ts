import type { InstrumentView } from '@jubb/contract';
import { wrenchesFor, type WrenchAdvice, type WrenchRig } from '@jubb/core/bench';
import type { Joint } from '@jubb/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { queries } from '../../../api/queries.ts';
import { today } from '../../../instruments/said.ts';

export const MOST_EXTENSION_MM = 1000;

/** What is on the fastener: which wrench, how long, with what extension; and what of it is still to be said. */
export interface Rig {
  readonly wrenches: readonly WrenchAdvice<InstrumentView>[];
  readonly chosen: InstrumentView | undefined;
  readonly choose: (id: string) => void;
  readonly typedExtension: string;
  readonly setExtension: (typed: string) => void;
  readonly typedLever: string;
  readonly setLever: (typed: string) => void;
  /** What is wrong with what was typed, in words; absent when it can be pulled. */
  readonly blocked: string | undefined;
  /** Hand to drive, mm, of a wrench on the list or as it was measured. */
  readonly leverMm: number | undefined;
  readonly given: WrenchRig & { readonly extensionMm: number };
  /** What the fastener feels for what the wrench shows. */
  readonly factor: number;
}

/** The wrench for a stage of a joint. What is on it is of this joint of this job: the next one begins without. */
export function useRig(joint: Joint, stage: number, runningNm: number, lastExtensionMm: number): Rig {
  const [typedExtension, setExtension] = useState(() => String(lastExtensionMm));
  const [typedLever, setLever] = useState('');
  const [picked, choose] = useState<string>();
  const extension = millimetres(typedExtension, 0, MOST_EXTENSION_MM);
  const rig = { extensionMm: extension ?? 0, extensionAngleDeg: 0 };
  const instruments = useQuery(queries.instruments()).data ?? [];
  const day = today();
  const wrenches = wrenchesFor<InstrumentView>(joint, stage, runningNm, rig, instruments, day);
  const inRange = wrenches.filter((w) => w.verdict !== 'out of range');
  const chosen = (inRange.find((w) => w.wrench.id === picked) ?? inRange[0])?.wrench;
  // Of a wrench on the list the list knows it, and else whoever holds it: there is no usual length.
  const leverMm = chosen?.wrench?.lengthMm ?? millimetres(typedLever, 50, 5000);
  const leverDue = rig.extensionMm > 0 && leverMm === undefined;
  return {
    wrenches,
    chosen,
    choose,
    typedExtension,
    setExtension,
    typedLever,
    setLever,
    blocked:
      extension === undefined
        ? `Millimetres, 0 to ${MOST_EXTENSION_MM}`
        : leverDue
          ? 'How long is the wrench? From the hand to the middle of its drive.'
          : undefined,
    leverMm,
    given: { ...rig, ...(rig.extensionMm > 0 && leverMm !== undefined ? { wrenchLengthMm: leverMm } : {}) },
    factor: leverMm === undefined ? 1 : (leverMm + rig.extensionMm) / leverMm,
  };
}

/** A length typed in millimetres; undefined when it cannot be read or is out of range. */
export function millimetres(text: string, least: number, most: number): number | undefined {
  const plain = text.trim().replace(',', '.');
  const value = Number(plain);
  return /^\d+(\.\d+)?$/.test(plain) && value >= least && value <= most ? value : undefined;
}
