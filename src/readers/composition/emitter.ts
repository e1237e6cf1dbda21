import { absent, type ComponentCall, type NativeValue } from "../script/value.ts";

/** What a component calls to tell whoever uses it of an event: `emit("pick")`, `dispatch("pick")`. */
export const emitter = (name: string, { isAlone, props }: ComponentCall): NativeValue => ({
  kind: "native",
  name,
  call: () => absent,
  isIdleFor: (event) =>
    !isAlone &&
    props.rest === null &&
    // What is bound both ways listens without being written.
    !/^(?:update:|input$)/.test(event) &&
    ![...props.properties.keys()].some((prop) => bareEvent(prop) === `on${bareEvent(event)}`),
});

/** `row-click`, `rowClick` and `rowclick` are the same to a listener. */
export const bareEvent = (event: string): string => event.replace(/[^\w$]/g, "").toLowerCase();
