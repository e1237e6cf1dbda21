/**
 * Attributes of HTML elements, and the properties of elements that templates bind: whatever else is written on an element
 * means something to a library. HTML, "Attributes"; Pointer Events and the like bring only events. In lower case.
 */
const htmlAttributes: ReadonlySet<string> = new Set(
  (
    "abbr accept accept-charset accesskey action align allow allowfullscreen alpha alt anchor as async autocapitalize autocomplete autocorrect autofocus autoplay " +
    "bgcolor blocking border cellpadding cellspacing charset checked cite class closedby color cols colspan command commandfor content contenteditable controls coords crossorigin " +
    "data datetime decoding default defer dir dirname disabled download draggable enctype enterkeyhint exportparts face fetchpriority for form formaction formenctype formmethod formnovalidate formtarget " +
    "frameborder headers height hidden high href hreflang http-equiv id imagesizes imagesrcset inert inputmode integrity is ismap itemid itemprop itemref itemscope itemtype " +
    "kind label lang language list loading loop low marginheight marginwidth max maxlength media method min minlength multiple muted name nomodule nonce nowrap novalidate " +
    "open optimum part pattern ping placeholder playsinline popover popovertarget popovertargetaction poster preload readonly referrerpolicy rel required rev reversed role rows rowspan rules " +
    "sandbox scope scrolling selected shadowrootmode shape size sizes slot span spellcheck src srcdoc srclang srcset start step style summary tabindex target title translate type usemap valign value virtualkeyboardpolicy width wrap writingsuggestions xmlns " +
    "classname htmlfor innerhtml innertext textcontent indeterminate scrolltop scrollleft srcobject valueasnumber valueasdate currenttime volume defaultvalue defaultchecked ariahidden"
  ).split(" "),
);

/** Whether an attribute, or a property that is bound, is one of HTML's own or free for anybody. */
export const isHtmlAttribute = (name: string): boolean => {
  const lower = name.toLowerCase();
  return htmlAttributes.has(lower) || /^(?:aria|data)-|^on[a-z]|[:.]/.test(lower);
};
