/** Bad input to the command line: a message for people; the program ends with 2. */
export class CliRefusal extends Error {
  override readonly name = "CliRefusal";
}
