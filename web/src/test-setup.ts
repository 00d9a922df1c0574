import "@testing-library/jest-dom/vitest";
import { cleanup, configure } from "@testing-library/react";
import { afterEach } from "vitest";

afterEach(cleanup);
// what is waited for comes when it comes: on a loaded machine a screen takes longer than the library's one second
configure({ asyncUtilTimeout: 20_000 });
// before any module asks how this device says its dates
Object.defineProperty(navigator, "language", { value: "en-GB" });

// jsdom lacks what Radix measures with
class Observer {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
globalThis.ResizeObserver = Observer;
Element.prototype.scrollIntoView = () => {};
Element.prototype.hasPointerCapture = () => false;
Element.prototype.releasePointerCapture = () => {};
// a narrow screen, unless a test says otherwise
window.matchMedia ??= () =>
  ({ matches: false, addEventListener: () => {}, removeEventListener: () => {} }) as unknown as MediaQueryList;
