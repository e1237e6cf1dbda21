import * as K from "@ariakit/react";
import { Accordion } from "@base-ui-components/react/accordion";
import { Dialog as BaseDialog } from "@base-ui-components/react/dialog";
import { Menu as BaseMenu } from "@base-ui-components/react/menu";
import { Toast } from "@base-ui-components/react/toast";
import * as H from "@headlessui/react";
import * as Dialog from "@radix-ui/react-dialog";
import * as Menu from "@radix-ui/react-dropdown-menu";
import * as Slider from "@radix-ui/react-slider";
import * as Tabs from "@radix-ui/react-tabs";
import { useState } from "react";
import * as A from "react-aria-components";
import { widget } from "./break.js";

const slips = ["Slip 4", "Slip 5", "Quay berth"];

const Page = ({ children }) => (
  <main>
    <button type="button">Before</button>
    {children}
    <button type="button">After</button>
  </main>
);

const shown = (name, way, Widget) =>
  widget(name, way, () => (
    <Page>
      <Widget />
    </Page>
  ));

shown("dialog", "the widget has no name", () => (
  <Dialog.Root>
    <Dialog.Trigger>Book</Dialog.Trigger>
    <Dialog.Portal>
      <Dialog.Content aria-describedby={undefined}>
        <Dialog.Title>Book slip 4</Dialog.Title>
        <input aria-label="Boat" />
        <Dialog.Close>Close</Dialog.Close>
      </Dialog.Content>
    </Dialog.Portal>
  </Dialog.Root>
));

shown("menu", "arrow keys do nothing", () => (
  <Menu.Root>
    <Menu.Trigger>Slip 4</Menu.Trigger>
    <Menu.Portal>
      <Menu.Content>
        <Menu.Item>Move</Menu.Item>
        <Menu.CheckboxItem checked>Power</Menu.CheckboxItem>
        <Menu.Item disabled>Sell</Menu.Item>
        <Menu.Item>Cancel</Menu.Item>
      </Menu.Content>
    </Menu.Portal>
  </Menu.Root>
));

shown("tabs", "what is selected is not said", () => (
  <Tabs.Root defaultValue="times">
    <Tabs.List aria-label="Slip 4">
      <Tabs.Trigger value="times">Times</Tabs.Trigger>
      <Tabs.Trigger value="depth">Depth</Tabs.Trigger>
      <Tabs.Trigger value="fees">Fees</Tabs.Trigger>
    </Tabs.List>
    <Tabs.Content value="times">06:10</Tabs.Content>
    <Tabs.Content value="depth">2.1 m</Tabs.Content>
    <Tabs.Content value="fees">18 a day</Tabs.Content>
  </Tabs.Root>
));

shown("slider", "the value is not said", () => (
  <Slider.Root defaultValue={[20]} max={100} step={5}>
    <Slider.Track>
      <Slider.Range />
    </Slider.Track>
    <Slider.Thumb aria-label="Depth" />
  </Slider.Root>
));

shown("listbox", "arrow keys do nothing", () => {
  const [slip, choose] = useState("Slip 4");
  return (
    <H.Listbox value={slip} onChange={choose}>
      <H.ListboxButton>{slip}</H.ListboxButton>
      <H.ListboxOptions>
        {slips.map((name) => (
          <H.ListboxOption key={name} value={name}>
            {name}
          </H.ListboxOption>
        ))}
      </H.ListboxOptions>
    </H.Listbox>
  );
});

shown("combobox", "the widget has no name", () => {
  const [slip, choose] = useState(null);
  const [asked, ask] = useState("");
  return (
    <H.Combobox value={slip} onChange={choose}>
      <H.ComboboxInput aria-label="Slip" onChange={(event) => ask(event.target.value)} />
      <H.ComboboxOptions aria-label="Slips">
        {slips
          .filter((name) => name.toLowerCase().includes(asked.toLowerCase()))
          .map((name) => (
            <H.ComboboxOption key={name} value={name}>
              {name}
            </H.ComboboxOption>
          ))}
      </H.ComboboxOptions>
    </H.Combobox>
  );
});

shown("switch", "what is checked is not said", () => {
  const [on, turn] = useState(false);
  return <H.Switch checked={on} onChange={turn} aria-label="Night light" className={on ? "lit" : ""} />;
});

shown("modal", "the widget has no name", () => (
  <A.DialogTrigger>
    <A.Button>Book</A.Button>
    <A.Modal>
      <A.Dialog>
        <A.Heading slot="title">Book slip 4</A.Heading>
        <A.TextField>
          <A.Label>Boat</A.Label>
          <A.Input />
        </A.TextField>
        <A.Button slot="close">Close</A.Button>
      </A.Dialog>
    </A.Modal>
  </A.DialogTrigger>
));

shown("nested menu", "focus is not given back", () => (
  <A.MenuTrigger>
    <A.Button>Slip 4</A.Button>
    <A.Popover>
      <A.Menu>
        <A.MenuItem id="move">Move</A.MenuItem>
        <A.SubmenuTrigger>
          <A.MenuItem id="more">More</A.MenuItem>
          <A.Popover>
            <A.Menu>
              <A.MenuItem>Sell</A.MenuItem>
            </A.Menu>
          </A.Popover>
        </A.SubmenuTrigger>
      </A.Menu>
    </A.Popover>
  </A.MenuTrigger>
));

shown("select", "arrow keys do nothing", () => (
  <A.Select>
    <A.Label>Slip</A.Label>
    <A.Button>
      <A.SelectValue />
    </A.Button>
    <A.Popover>
      <A.ListBox>
        {slips.map((name) => (
          <A.ListBoxItem key={name}>{name}</A.ListBoxItem>
        ))}
      </A.ListBox>
    </A.Popover>
  </A.Select>
));

shown("tree", "arrow keys do nothing", () => (
  <A.Tree aria-label="Boats">
    <A.TreeItem id="quay" textValue="Quay">
      <A.TreeItemContent>
        <A.Button slot="chevron">▶</A.Button>Quay
      </A.TreeItemContent>
      <A.TreeItem id="petrel" textValue="Petrel">
        <A.TreeItemContent>Petrel</A.TreeItemContent>
      </A.TreeItem>
    </A.TreeItem>
    <A.TreeItem id="slips" textValue="Slips">
      <A.TreeItemContent>Slips</A.TreeItemContent>
    </A.TreeItem>
  </A.Tree>
));

shown("number field", "the widget has no name", () => (
  <A.NumberField defaultValue={3} minValue={0}>
    <A.Label>Nights</A.Label>
    <A.Group>
      <A.Button slot="decrement" aria-label="Fewer">
        -
      </A.Button>
      <A.Input />
      <A.Button slot="increment" aria-label="More">
        +
      </A.Button>
    </A.Group>
  </A.NumberField>
));

shown("table with sorting", "the widget has no name", () => {
  const [order, sort] = useState({ column: "boat", direction: "ascending" });
  const boats = order.direction === "ascending" ? ["Petrel", "Tern"] : ["Tern", "Petrel"];
  return (
    <A.Table aria-label="Boats" sortDescriptor={order} onSortChange={sort}>
      <A.TableHeader>
        <A.Column id="boat" isRowHeader allowsSorting>
          Boat
        </A.Column>
        <A.Column>Slip</A.Column>
      </A.TableHeader>
      <A.TableBody>
        {boats.map((boat) => (
          <A.Row key={boat} id={boat}>
            <A.Cell>{boat}</A.Cell>
            <A.Cell>4</A.Cell>
          </A.Row>
        ))}
      </A.TableBody>
    </A.Table>
  );
});

shown("tags", "arrow keys do nothing", () => {
  const [tags, keep] = useState(["Power", "Water"]);
  return (
    <A.TagGroup onRemove={(gone) => keep(tags.filter((tag) => !gone.has(tag)))}>
      <A.Label>Extras</A.Label>
      <A.TagList>
        {tags.map((tag) => (
          <A.Tag key={tag} id={tag} textValue={tag}>
            {tag}
            <A.Button slot="remove">x</A.Button>
          </A.Tag>
        ))}
      </A.TagList>
    </A.TagGroup>
  );
});

shown("disclosure", "what is expanded is not said", () => (
  <A.Disclosure>
    <A.Heading>
      <A.Button slot="trigger">Fees</A.Button>
    </A.Heading>
    <A.DisclosurePanel>18 a day</A.DisclosurePanel>
  </A.Disclosure>
));

shown("dialog with a form", "Escape does nothing", () => {
  const [isOpen, open] = useState(false);
  return (
    <>
      <K.Button onClick={() => open(true)}>Book</K.Button>
      <K.Dialog open={isOpen} onClose={() => open(false)}>
        <K.DialogHeading>Book slip 4</K.DialogHeading>
        <input aria-label="Boat" />
        <K.DialogDismiss>Close</K.DialogDismiss>
      </K.Dialog>
    </>
  );
});

shown("drop-down", "what is expanded is not said", () => (
  <K.SelectProvider defaultValue="Slip 4">
    <K.SelectLabel>Slip</K.SelectLabel>
    <K.Select />
    <K.SelectPopover>
      {slips.map((name) => (
        <K.SelectItem key={name} value={name} />
      ))}
    </K.SelectPopover>
  </K.SelectProvider>
));

shown("toolbar", "arrow keys do nothing", () => (
  <K.Toolbar aria-label="Text">
    <K.ToolbarItem>Bold</K.ToolbarItem>
    <K.ToolbarItem>Italic</K.ToolbarItem>
    <K.ToolbarItem>Link</K.ToolbarItem>
  </K.Toolbar>
));

shown("menu bar", "arrow keys do nothing", () => (
  <K.MenubarProvider>
    <K.Menubar aria-label="Ledger">
      {["File", "Edit"].map((name) => (
        <K.MenuProvider key={name}>
          <K.MenuButton render={<K.MenuItem />}>{name}</K.MenuButton>
          <K.Menu>
            <K.MenuItem>Slip 4</K.MenuItem>
          </K.Menu>
        </K.MenuProvider>
      ))}
    </K.Menubar>
  </K.MenubarProvider>
));

shown("overlay", "focus is not given back", () => (
  <BaseDialog.Root>
    <BaseDialog.Trigger>Book</BaseDialog.Trigger>
    <BaseDialog.Portal>
      <BaseDialog.Backdrop />
      <BaseDialog.Popup>
        <BaseDialog.Title>Book slip 4</BaseDialog.Title>
        <input aria-label="Boat" />
        <BaseDialog.Close>Close</BaseDialog.Close>
      </BaseDialog.Popup>
    </BaseDialog.Portal>
  </BaseDialog.Root>
));

shown("context menu", "arrow keys do nothing", () => (
  <BaseMenu.Root>
    <BaseMenu.Trigger>Slip 4</BaseMenu.Trigger>
    <BaseMenu.Portal>
      <BaseMenu.Positioner>
        <BaseMenu.Popup>
          <BaseMenu.Item>Move</BaseMenu.Item>
          <BaseMenu.Item>Cancel</BaseMenu.Item>
        </BaseMenu.Popup>
      </BaseMenu.Positioner>
    </BaseMenu.Portal>
  </BaseMenu.Root>
));

shown("accordion", "what is expanded is not said", () => (
  <Accordion.Root>
    {["Fees", "Depth"].map((name) => (
      <Accordion.Item key={name} value={name}>
        <Accordion.Header>
          <Accordion.Trigger>{name}</Accordion.Trigger>
        </Accordion.Header>
        <Accordion.Panel>18 a day</Accordion.Panel>
      </Accordion.Item>
    ))}
  </Accordion.Root>
));

const Booking = () => {
  const { toasts, add } = Toast.useToastManager();
  return (
    <>
      <button type="button" onClick={() => add({ title: "Slip 4 is booked" })}>
        Book
      </button>
      <Toast.Portal>
        <Toast.Viewport>
          {toasts.map((toast) => (
            <Toast.Root key={toast.id} toast={toast}>
              <Toast.Title />
              <Toast.Close aria-label="Close">x</Toast.Close>
            </Toast.Root>
          ))}
        </Toast.Viewport>
      </Toast.Portal>
    </>
  );
};
// It stays until it is closed: a browser under load is slower than its five seconds.
shown("toast", "nothing is announced", () => (
  <Toast.Provider timeout={0}>
    <Booking />
  </Toast.Provider>
));
