/** What is typed into a field and when it is taken. */
import { fireEvent, render, screen } from "@testing-library/react";
import { doWhatWaits, hold } from "./page/atOnce.ts";
import { NumberInput, TextInput } from "../src/ui/forms/TextInput.tsx";

let taken: (string | number)[] = [];
const take = (value: string | number): void => void taken.push(value);

beforeEach(() => {
  taken = [];
});

const type = (text: string): HTMLElement => {
  const field = screen.getByRole("textbox");
  fireEvent.change(field, { target: { value: text } });
  return field;
};

describe("what is typed", () => {
  const shown = () => render(<TextInput label="Title" value="before" onCommit={take} />);

  it("is taken when the field is left, and not again when it goes", () => {
    const { unmount } = shown();
    hold();
    fireEvent.blur(type("after"));
    expect(taken).toEqual([]);
    unmount();
    doWhatWaits();
    expect(taken).toEqual(["after"]);
  });

  it("is taken when the field is taken away under the cursor", () => {
    const { unmount } = shown();
    type("after");
    unmount();
    expect(taken).toEqual(["after"]);
  });

  it("is not taken where it was put back, or is what stood there", () => {
    const { unmount } = shown();
    const field = type("after");
    field.focus();
    fireEvent.keyDown(field, { key: "Escape" });
    expect(field).toHaveValue("before");
    type("before");
    unmount();
    expect(taken).toEqual([]);
  });

  it("is not taken where it is not valid, however the field goes", () => {
    const { unmount } = render(<NumberInput label="Length" value={5} max={9} onCommit={take} />);
    fireEvent.blur(type("12"));
    expect(screen.getByRole("alert")).toHaveTextContent("“12” is not valid: needs 0 to 9");
    type("13");
    unmount();
    expect(taken).toEqual([]);
  });
});
