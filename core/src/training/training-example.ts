/** Ten pictures of somebody who sees too little of what is empty. */
export const trainingExample = {
  answers: [
    { truthVoid: 0.002, guessVoid: 0, truthGrade: 'I', guessGrade: 'I' },
    { truthVoid: 0.014, guessVoid: 0.01, truthGrade: 'II', guessGrade: 'II' },
    { truthVoid: 0.033, guessVoid: 0.025, truthGrade: 'III', guessGrade: 'III' },
    { truthVoid: 0.084, guessVoid: 0.06, truthGrade: 'none', guessGrade: 'none' },
    { truthVoid: 0.009, guessVoid: 0.004, truthGrade: 'II', guessGrade: 'I' },
    { truthVoid: 0.004, guessVoid: 0.005, truthGrade: 'I', guessGrade: 'I' },
    { truthVoid: 0.047, guessVoid: 0.04, truthGrade: 'III', guessGrade: 'III' },
    { truthVoid: 0.026, guessVoid: 0.018, truthGrade: 'III', guessGrade: 'II' },
    { truthVoid: 0.061, guessVoid: 0.05, truthGrade: 'none', guessGrade: 'III' },
    { truthVoid: 0.017, guessVoid: 0.02, truthGrade: 'II', guessGrade: 'II' },
  ],
} as const;
