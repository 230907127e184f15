"use client";

import { Button, TextInput } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type AcceptanceQuestion, keptTestSchema } from "@/contracts/acceptance";
import { ask } from "@/features/data/ask";
import { asRefused } from "@/features/data/refused-call";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { say } from "@/wording/screens/acceptance";
import styles from "./Acceptance.module.css";

interface KeepTestProps {
  readonly slug: string;
  readonly question: AcceptanceQuestion;
  readonly label: string;
}

/** Keeps the test on the page with its figures, under a name. */
export function KeepTest({ slug, question, label }: KeepTestProps) {
  const [name, setName] = useState("");
  const queries = useQueryClient();
  const { mutate, data, error, isPending } = useMutation({
    mutationFn: () => ask(keptTestSchema, `/api/books/${slug}/tests`, { method: "POST", body: { name, question } }),
    onSuccess: async () => {
      setName("");
      await queries.invalidateQueries({ queryKey: ["kept-tests", slug] });
    },
  });
  return (
    <>
      <form
        className={styles.keep}
        onSubmit={(event) => {
          event.preventDefault();
          mutate();
        }}
      >
        <TextInput label={say.nameOfTest} value={name} maxLength={80} onChange={(event) => setName(event.currentTarget.value)} />
        <Button type="submit" loading={isPending} disabled={name.trim() === ""}>
          {label}
        </Button>
      </form>
      {error ? (
        <Refused refusal={asRefused(error)} />
      ) : (
        <p className={chapter.soft} role="status">
          {data ? say.keptNow(data.name) : say.keepWhy}
        </p>
      )}
    </>
  );
}
