declare module 'text-readability' {
  const readability: Record<
    | 'fleschReadingEase'
    | 'fleschKincaidGrade'
    | 'gunningFog'
    | 'smogIndex'
    | 'colemanLiauIndex'
    | 'automatedReadabilityIndex'
    | 'daleChallReadabilityScore',
    (text: string) => number
  >;
  export default readability;
}
