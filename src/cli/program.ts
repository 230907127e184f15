import { Command, CommanderError, Option } from "commander";
import { say } from "@/wording/cli";
import { BENCHES, COMMANDS, type CommandShape } from "./commands";
import { type CliOptions, OPTIONS } from "./options";
import { CliRefusal } from "./refuse";

/** Puts one command on the program; its options are its own, and another's is refused. */
function add(parent: Command, name: string, { what, options, run }: CommandShape): void {
  const command = parent.command(name).description(what).allowExcessArguments(false);
  for (const option of options) {
    const [argument, help] = OPTIONS[option];
    command.addOption(new Option(`--${option} <${argument}>`, help));
  }
  command.option("--json", say.printTheFormOfDocsFormats);
  command.action(async (parsed: Readonly<Record<string, string | boolean>>) => run(asTyped(parsed)));
}

/** Options by the names that were typed: the parser joins words with capitals. */
const asTyped = (parsed: Readonly<Record<string, string | boolean>>): CliOptions =>
  Object.fromEntries(
    Object.entries(parsed).map(([name, value]) => [name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`), value]),
  );

/** The command line. Bad input throws CliRefusal. */
export function ledgerProgram(version: string): Command {
  const program = new Command("ledger").description(say.anEnergyAccountBookForPhotovoltaic).version(version, "--version");
  for (const [name, shape] of Object.entries(COMMANDS)) add(program, name, shape);
  const bench = program.command("bench").description(say.aCalculatorOfTheBench);
  for (const [name, shape] of Object.entries(BENCHES)) add(bench, name, shape);
  return refusing(program);
}

/** Every command of a program refuses by throwing, and shows no help in the middle of a refusal. */
function refusing(command: Command): Command {
  command.exitOverride().configureOutput({ writeErr: () => {} });
  for (const child of command.commands) refusing(child);
  return command;
}

/** Runs one command line. */
export async function runLedger(argv: readonly string[], version: string): Promise<void> {
  const program = ledgerProgram(version);
  if (argv.length === 0) {
    program.outputHelp();
    return;
  }
  try {
    await program.parseAsync([...argv], { from: "user" });
  } catch (error) {
    if (!(error instanceof CommanderError)) throw error;
    if (error.exitCode === 0) return;
    throw new CliRefusal(say.seeNpmRunSLedgerHelp(reasonOf(error, argv), commandOf(argv)));
  }
}

function reasonOf({ code, message }: CommanderError, argv: readonly string[]): string {
  const isBench = argv[0] === "bench";
  const choices = (isBench ? Object.keys(BENCHES) : [...Object.keys(COMMANDS), "bench"]).join(", ");
  if (code === "commander.unknownCommand") return say.noSuchCommand(argv[isBench ? 1 : 0]!, choices);
  if (code === "commander.help") return say.chooseOneOf(choices);
  return message.replace(/^error: /, "");
}

const commandOf = (argv: readonly string[]): string => {
  const words = argv.slice(0, argv[0] === "bench" ? 2 : 1).filter((word) => word in COMMANDS || word === "bench" || word in BENCHES);
  return words.length > 0 ? `${words.join(" ")} ` : "";
};
