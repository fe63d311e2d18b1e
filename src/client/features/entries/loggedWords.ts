/** “4 lines logged”, or that they are still here because nothing answered. */
export const loggedWords = ({ lines, isHere }: { lines: number; isHere: boolean }): string => {
  const many = lines === 1 ? 'One line' : `${lines} lines`;
  return isHere
    ? `${many} kept on this device, to go by ${lines === 1 ? 'itself' : 'themselves'}`
    : `${many} logged`;
};
