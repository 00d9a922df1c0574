// What the toolchain alone weighs: the benchmark's measure of the first load (scripts/bench.py).
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import "./blank.css";

const root = document.getElementById("root");
if (root) createRoot(root).render(<StrictMode>Blank</StrictMode>);
