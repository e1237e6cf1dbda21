import { widget } from "./break.js";
import Widgets from "./Widgets.svelte";

for (const [name, way] of [
  ["alert dialog", "focus is not given back"],
  ["menu", "arrow keys do nothing"],
  ["combobox", "what is expanded is not said"],
  ["tabs", "what is selected is not said"],
  ["accordion", "what is expanded is not said"],
  ["slider", "the value is not said"],
  ["toggle group", "arrow keys do nothing"],
  ["tooltip", "Escape does nothing"],
  ["calendar", "arrow keys do nothing"],
])
  widget(name, way, () => ({ component: Widgets, props: { name } }));
