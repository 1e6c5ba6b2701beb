interface Program {
  executablePath: string;
  args: string[];
}
export const CHROMIUM: Program;
export const SHELL: string;
export function headless(): Program;
export function whole(): Program;
