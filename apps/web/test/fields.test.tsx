/** What is typed into a field and when it is taken. */
import { fireEvent, render, screen } from "@testing-library/react";
import { doWhatWaits, hold } from "./page/atOnce.ts";
import { NumberInput } from "../src/ui/forms/number/NumberInput.tsx";
import { CurrentUser } from "../src/base/session.ts";
import { TextInput } from "../src/ui/forms/TextInput.tsx";
import { ANSA } from "./page/shop.ts";

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

describe("a length", () => {
  const shown = (units: "metric" | "us", unit: string, value: number, max = 1000) =>
    render(
      <CurrentUser value={{ ...ANSA, preferences: { ...ANSA.preferences, units } }}>
        <NumberInput label="Down" {...{ unit, value, max }} onCommit={take} />
      </CurrentUser>,
    );
  const commit = (text: string): void => void fireEvent.blur(type(text));

  it("is shown in inches as a tape has them, and read as it is written, where inches are chosen", () => {
    shown("us", "mm down", 444.5);
    expect(screen.getByLabelText("Down, in down")).toHaveValue("17 1/2");
    for (const text of ['18"', "1.5 in", "2 3/8", "40 mm"]) commit(text);
    // 1 in is 25.4 mm, exact.
    expect(taken).toEqual([457.2, 38.1, 60.325, 40]);
    commit("50");
    expect(screen.getByRole("alert")).toHaveTextContent("“50” is not valid: needs 0 to 39 3/8");
  });

  it("of wire is in inches, and feet where it is long", () => {
    shown("us", "m", 3.7, 100);
    expect(screen.getByLabelText("Down, in")).toHaveValue("12' 1 11/16\"");
    commit("3' 6\"");
    expect(taken).toEqual([1.0668]);
  });

  it("stays in millimetres where those are chosen, and reads inches all the same", () => {
    shown("metric", "mm down", 444.5);
    expect(screen.getByLabelText("Down, mm down")).toHaveValue("444.5");
    for (const text of ["12", "1.5 in", "5 cm"]) commit(text);
    expect(taken).toEqual([12, 38.1, 50]);
    commit("a hand");
    expect(screen.getByRole("alert")).toHaveTextContent("“a hand” is not valid");
  });

  it("of a metric thread stays metric, and what looks like a bound is that bound", () => {
    const { unmount } = render(
      <CurrentUser value={{ ...ANSA, preferences: { ...ANSA.preferences, units: "us" } }}>
        <NumberInput label="Length" unit="mm" value={20} metric onCommit={take} />
      </CurrentUser>,
    );
    expect(screen.getByLabelText("Length, mm")).toHaveValue("20");
    unmount();
    // 444.4 mm is told as 17 1/2 in, of 444.5: not refused for a tenth that nobody sees.
    shown("us", "mm", 100, 444.4);
    commit("17 1/2");
    expect(screen.queryByRole("alert")).toBeNull();
    expect(taken).toEqual([444.4]);
  });

  it("is none where amps are asked for", () => {
    shown("us", "mA", 12);
    expect(screen.getByLabelText("Down, mA")).toHaveValue("12");
  });
});
