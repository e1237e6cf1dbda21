import { h } from "vue";
import { widget } from "./break.js";
import Widgets from "./Widgets.vue";

for (const [name, way] of [
  ["dialog", "Escape does nothing"],
  ["menu", "arrow keys do nothing"],
  ["select", "arrow keys do nothing"],
  ["tree", "arrow keys do nothing"],
  ["switch", "what is checked is not said"],
  ["radio group", "arrow keys do nothing"],
  ["popover", "what is expanded is not said"],
  ["wizard", "Enter and Space do nothing"],
  ["disclosure", "what is expanded is not said"],
  ["tabs", "arrow keys do nothing"],
])
  widget(name, way, () => h(Widgets, { name }));
