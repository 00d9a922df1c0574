import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { whenQuiet } from "./quiet";

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

const settled = (promise: Promise<void>) => {
  const state = { done: false };
  void promise.then(() => (state.done = true));
  return state;
};

test("what is wanted later waits for the first screen and for what it asks", async () => {
  let [shown, fetching] = [false, 0];
  const state = settled(
    whenQuiet(
      { isFetching: () => fetching },
      () => shown,
      () => Date.now(),
    ),
  );
  await vi.advanceTimersByTimeAsync(2000);
  expect(state.done).toBe(false);
  [shown, fetching] = [true, 1];
  await vi.advanceTimersByTimeAsync(2000);
  expect(state.done).toBe(false);
  fetching = 0;
  await vi.advanceTimersByTimeAsync(300);
  expect(state.done).toBe(false);
  await vi.advanceTimersByTimeAsync(300);
  expect(state.done).toBe(true);
});

test("a page that asks without end is not waited for", async () => {
  const state = settled(
    whenQuiet(
      { isFetching: () => 1 },
      () => true,
      () => Date.now(),
    ),
  );
  await vi.advanceTimersByTimeAsync(13_000);
  expect(state.done).toBe(true);
});
