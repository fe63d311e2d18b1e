import { readOf } from '../../shared/reading.ts';

export const floorQuery = readOf('floor');
