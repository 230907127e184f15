import type { Working } from "@/wording/workings/working";
import { Figure } from "./Figure";

interface Props {
  readonly value: number | null;
  readonly say: (value: number) => string;
  readonly working: () => Working;
  readonly name?: string | undefined;
}

/** A figure of a table with its working; a dash where it is not known. */
export const KnownFigure = ({ value, say, working, name }: Props) =>
  value === null ? (
    "–"
  ) : (
    <Figure plain name={name} working={working}>
      {say(value)}
    </Figure>
  );
