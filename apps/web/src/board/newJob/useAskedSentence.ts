import { useCallback, useState, type FormEvent } from "react";

interface AskedSentence {
  /** The sentence that is to be planned, as it was when that was asked for; "" for none. */
  readonly asked: string;
  readonly onTaken: () => void;
  /** Asks for what is written now. */
  readonly submit: (e: FormEvent) => void;
}

/** A sentence is read behind what is written: which one is to be planned is kept until it is read. */
export function useAskedSentence(text: string): AskedSentence {
  const [asked, setAsked] = useState("");
  const onTaken = useCallback(() => setAsked(""), []);
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    setAsked(text);
  };
  return { asked, onTaken, submit };
}
