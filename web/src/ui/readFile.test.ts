import { expect, it } from "vitest";
import { decode } from "./readFile";

it("reads the letters of old and new files", () => {
  expect(decode(new TextEncoder().encode("½ cup purée"))).toBe("½ cup purée");
  expect(decode(new Uint8Array([0xbd, 0x20, 0x63, 0x75, 0x70, 0x20, 0xe9]))).toBe("½ cup é");
  expect(decode(new Uint8Array([0xff, 0xfe, 0x72, 0, 0x69, 0]))).toBe("ri");
});
