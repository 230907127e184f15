/** Where handlers say what they did. */
export interface JobLog {
  info(facts: object, message: string): void;
  error(facts: object, message: string): void;
}
