export { ANSWERS, type Answer, type Answers, type Asked, type Figures, figuresOf, type HeavyPorts, type QuestionName } from "./answers";
export type { Task, Weighed } from "./message";
export type { Reckoner, ShelfLine, Standing, StandingStore } from "./ports";
export { setAside, standingFigures } from "./standing-figures";
