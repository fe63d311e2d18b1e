/** Sets the chosen colours before anything is drawn, so that the page does not flash. */
import { remembered } from '../shared/remember.ts';

const theme = remembered('avrik.theme');
if (theme !== null) document.documentElement.dataset.theme = theme;
