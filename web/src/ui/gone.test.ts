import { act, renderHook } from "@testing-library/react";
import { beforeEach, expect, it, vi } from "vitest";
import { TroubleError } from "../api/client";
import { putAside, settle, throwAway, useGone, useTold } from "./gone";

const look = () => renderHook(() => ({ gone: useGone(), told: useTold() }));
beforeEach(() => settle());

it("hides at once, and tells the server only when nothing is taken back any more", async () => {
  const send = vi.fn(async () => undefined);
  const { result } = look();
  act(() => throwAway("recipe/7", "Thrown away.", send));
  expect([...result.current.gone]).toEqual(["recipe/7"]);
  expect(send).not.toHaveBeenCalled();
  act(() => result.current.told?.undo?.());
  expect([...result.current.gone]).toEqual([]);
  await act(() => settle());
  expect(send).not.toHaveBeenCalled();
});

it("means the first when a second is thrown away, and each after a minute", async () => {
  vi.useFakeTimers();
  const first = vi.fn(async () => undefined);
  const second = vi.fn(async () => undefined);
  const { result } = look();
  act(() => throwAway("bag/1", "The first.", first));
  await act(async () => throwAway("bag/2", "The second.", second));
  expect(first).toHaveBeenCalledOnce();
  expect(result.current.told?.said).toBe("The second.");
  await act(() => vi.advanceTimersByTimeAsync(60_000));
  expect(second).toHaveBeenCalledOnce();
  expect(result.current.told).toBeNull();
  expect([...result.current.gone]).toEqual([]);
  vi.useRealTimers();
});

it("shows again what the server refuses to throw away, and says why", async () => {
  const { result } = look();
  act(() =>
    throwAway("pot/3", "Gone.", () =>
      Promise.reject(new TroubleError({ code: "pots", where: "", text: "One pot must stay." }, 422)),
    ),
  );
  await act(() => settle());
  expect([...result.current.gone]).toEqual([]);
  expect(result.current.told).toMatchObject({ said: "One pot must stay.", undo: null });
});

it("offers to take back for a minute what was put aside, and not what was put aside before it", async () => {
  vi.useFakeTimers();
  const { result } = look();
  act(() => putAside("The first.", vi.fn()));
  await act(() => vi.advanceTimersByTimeAsync(40_000));
  act(() => putAside("The second.", vi.fn()));
  // the first one's minute is over: the second is still offered
  await act(() => vi.advanceTimersByTimeAsync(30_000));
  expect(result.current.told?.said).toBe("The second.");
  await act(() => vi.advanceTimersByTimeAsync(30_000));
  expect(result.current.told).toBeNull();
  vi.useRealTimers();
});

it("takes back what was only this device's", async () => {
  const back = vi.fn();
  const { result } = look();
  act(() => putAside("Another recipe.", back));
  act(() => result.current.told?.undo?.());
  expect(back).toHaveBeenCalledOnce();
  expect(result.current.told).toBeNull();
});
