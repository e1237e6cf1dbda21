/** An element of a window, simulated or collected from a real one, as far as a snapshot asks it. */
// biome-ignore lint/suspicious/noExplicitAny: elements with whatever scripts put on them
export type LiveElement = any;
