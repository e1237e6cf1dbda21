/** Events that people bring about. UI Events, Pointer Events and HTML. */
export const byPeople =
  /^(?:click|dblclick|auxclick|contextmenu|mouse|pointer|touch|key|focus|blur|input|beforeinput|change|submit|reset|drag|drop|wheel)/;
