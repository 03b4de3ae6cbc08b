/** "gains 5.3 s a day": a rate as it is said everywhere, with as many decimals as it deserves or as are asked for. */
export function rateInWords(secondsPerDay: number, digits = Math.abs(secondsPerDay) < 9.95 ? 1 : 0): string {
  const size = Math.abs(secondsPerDay).toFixed(digits);
  return Number(size) === 0 ? 'keeps time' : `${secondsPerDay > 0 ? 'gains' : 'loses'} ${size} s a day`;
}
