import type { SheetView } from '@iron-clasp/contract';
import { useOutletContext } from 'react-router';

/** The open sheet, for its pages. */
export function useOpenSheet(): SheetView {
  return useOutletContext<SheetView>();
}
