/** What other features may use of this one. */
export { isOutgoing, loadActs, onActArrived, sendAct, sendAs, useOutgoing, type Act } from './outgoing.ts';
export { OutgoingTray } from './OutgoingTray.tsx';
