/** “4 lines logged”, and that they are still here where nothing answered. */
export const loggedWords = ({ lines, later }: { lines: number; later: number }): string => {
  const many = lines === 1 ? 'One line' : `${lines} lines`;
  if (later === 0) return `${many} logged`;
  return later === lines
    ? `${many} kept on this device, to go by ${lines === 1 ? 'itself' : 'themselves'}`
    : `${many} logged, ${later} of them kept on this device until the server answers`;
};
