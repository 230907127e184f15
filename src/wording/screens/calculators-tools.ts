import { catalogue } from "../catalogue";

/** The question that each tool of the bench answers. */
export const TOOL_QUESTIONS = catalogue({
  tilt: "When is a rack tilted, to what, and what does it bring?",
  rows: "How far apart must rows stand, and what do they carry of snow?",
  ground: "On the roof or on the ground: what differs, and what may it cost?",
  mixed: "What do unlike modules in one string lose?",
  cable: "Does the string suit the input, and which cable pays?",
  modules: "Which modules bring most on this roof, for the money?",
  snow: "What do tilt and a gap below do against snow and dirt?",
  loads: "What can the sun here carry, with which battery?",
});
