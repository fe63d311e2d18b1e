/** What other features may use of this one. */
export { isOutgoing, loadActs, onActArrived, sendAct, sendAs } from './outgoing.ts';
export { OutgoingTray } from './OutgoingTray.tsx';
