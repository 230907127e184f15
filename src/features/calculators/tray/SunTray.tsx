"use client";

import { NativeSelect } from "@mantine/core";
import Link from "next/link";
import { CLIMATES, type Climate } from "@/core/weather";
import { say } from "@/wording/screens/calculators-tools";
import { CLIMATE_NAMES } from "@/wording/screens/readings-sunshine";
import styles from "./Tray.module.css";

interface Props {
  readonly name: string;
  readonly onChange: (name: string) => void;
  /** Where hours can be brought; null where there is no book for them. */
  readonly slug: string | null;
}

/** The sun of a bench without weather: cloudless, or of a climate that somebody can tell from living there. */
export const SunTray = ({ name, onChange, slug }: Props) => (
  <div className={styles.sun}>
    <NativeSelect
      label={say.sunToReckonWith}
      value={name}
      data={[
        { value: "", label: say.cloudlessTheMostThereCanBe },
        ...Object.keys(CLIMATES).map((id) => ({ value: id, label: CLIMATE_NAMES[id as Climate] })),
      ]}
      onChange={({ currentTarget }) => onChange(currentTarget.value)}
    />
    {slug !== null && (
      <span>
        {say.noWeatherInThisBook} <Link href={`/books/${slug}/readings?view=type`}>{say.bringSun}</Link>
      </span>
    )}
  </div>
);
