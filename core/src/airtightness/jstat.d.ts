declare module 'jstat' {
  const jStat: {
    readonly studentt: {
      /** Quantile of Student's t. */
      inv(probability: number, degreesOfFreedom: number): number;
    };
    readonly chisquare: {
      /** Quantile of χ². */
      inv(probability: number, degreesOfFreedom: number): number;
    };
  };
  export default jStat;
}
