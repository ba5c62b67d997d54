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
    readonly normal: {
      /** Share below x. */
      cdf(x: number, mean: number, deviation: number): number;
      /** Density at x. */
      pdf(x: number, mean: number, deviation: number): number;
    };
  };
  export default jStat;
}
