/** What was priced for the camper. */
import type { DemoEstimate } from './shape.ts';

export const camperEstimates: Record<string, DemoEstimate> = {
  camper: {
    note: 'Dear Tove, do not use the heater or the gas before this is done. The gas side is signed by a registered gas fitter, whatever you decide here.',
    lines: [
      {
        key: 'heater',
        title: 'Old heater out, a sealed one in',
        finding: 'cab heater draws',
        why: 'It draws its air from the engine bay; carbon monoxide can come in.',
        class: 'safety',
        work: 'mechanical',
        hours: [6, 10, 14],
        parts: [500, 540, 600],
      },
      {
        key: 'locker',
        title: 'Gas locker vented and sealed',
        finding: 'gas locker has no',
        why: 'It has no drop-out vent.',
        class: 'safety',
        work: 'metalwork',
        hours: [2, 3, 5],
        parts: [30, 45, 60],
      },
      {
        key: 'sills',
        title: 'Outer sills, both sides',
        finding: 'outer sills rotten',
        why: 'Rotten; that is where the wet carpet comes from.',
        class: 'must',
        work: 'metalwork',
        hours: [14, 18, 28],
        parts: [160, 190, 260],
      },
      {
        key: 'belts',
        title: 'Lap belts on the rear bench',
        why: 'There are none; the children sit there.',
        class: 'safety',
        work: 'metalwork',
        hours: [4, 6, 9],
        parts: [90, 110, 140],
      },
      {
        key: 'canvas',
        title: 'Elevating roof canvas',
        finding: 'elevating roof canvas torn',
        why: 'Torn on the left.',
        class: 'nice',
        work: 'trim',
        hours: [4, 5, 8],
        parts: [130, 150, 190],
      },
    ],
  },
};
