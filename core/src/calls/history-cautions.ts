import type { HistoryKind } from '../hands/hand-state.ts';

/** Who must be asked where something in the history is not cleared. */
export const HISTORY_CAUTIONS: Record<HistoryKind, string> = {
  bicepsTendon: 'Biceps tendon not cleared: a physician or physiotherapist clears it before heavy pulling.',
  shoulder: 'Shoulder not cleared: a physician or physiotherapist clears it before heavy pulling.',
  elbowTendon: 'Elbow tendon pain: ask a physiotherapist; keep opening work in.',
  thumbArthritis: 'Thumb joint: stop on joint pain; ask a physician.',
  bloodPressure:
    'Blood pressure not cleared: no straining or breath-holding near the limit; ask a physician first.',
  fainting: 'Fainting history not cleared: no near-limit holds; ask a physician first.',
  heart: 'Heart condition not cleared: no straining or breath-holding; ask a physician first.',
  recentOperation: 'Recent operation not cleared: ask the surgeon or a physician first.',
  pregnancy: 'Pregnancy: ask a physician or midwife first; no straining or breath-holding.',
  underEighteen: 'Under 18: a parent and a clinician are asked first; no hold near the limit.',
};
