import { byLetters } from "../src/ui/press/byLetters.ts";

const colours = ["black", "blue", "brown", "green", "grey"].map((label) => ({
  value: label.toUpperCase(),
  label,
}));

describe("letters typed on a closed list", () => {
  it("mean the next option that begins with them", () => {
    expect(byLetters(colours, "GREEN", "b")).toBe("BLACK");
    expect(byLetters(colours, "BLACK", "b")).toBe("BLUE");
    expect(byLetters(colours, "BROWN", "b")).toBe("BLACK");
    expect(byLetters(colours, "", "g")).toBe("GREEN");
  });

  it("go through them when they are the same again", () => {
    expect(byLetters(colours, "BLUE", "bb")).toBe("BROWN");
    expect(byLetters(colours, "BROWN", "bbb")).toBe("BLACK");
  });

  it("spell a word, and stay where it fits already", () => {
    expect(byLetters(colours, "BLACK", "br")).toBe("BROWN");
    expect(byLetters(colours, "GREEN", "gre")).toBe("GREEN");
    expect(byLetters(colours, "GREEN", "GREY")).toBe("GREY");
  });

  it("mean nothing where nothing begins like that", () => {
    expect(byLetters(colours, "BLACK", "x")).toBeUndefined();
    expect(byLetters(colours, "BLACK", "bla ck")).toBeUndefined();
    expect(byLetters([], "", "b")).toBeUndefined();
  });
});
