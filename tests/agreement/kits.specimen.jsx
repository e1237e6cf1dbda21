import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Listbox,
  ListboxButton,
  ListboxOption,
  ListboxOptions,
} from "@headlessui/react";
import * as Dialog from "@radix-ui/react-dialog";
import * as Menu from "@radix-ui/react-dropdown-menu";
import * as Slider from "@radix-ui/react-slider";
import * as Tabs from "@radix-ui/react-tabs";
import { specimen } from "even-keel/specimen";
import { useState } from "react";

const slips = ["Slip 4", "Slip 5", "Quay berth"];

const Page = ({ children }) => (
  <main>
    <button type="button">Before</button>
    {children}
    <button type="button">After</button>
  </main>
);

specimen("dialog", () => (
  <Page>
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
  </Page>
));

specimen("menu", () => (
  <Page>
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
  </Page>
));

specimen("tabs", () => (
  <Page>
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
  </Page>
));

specimen("listbox", () => {
  const Slips = () => {
    const [slip, choose] = useState("Slip 4");
    return (
      <Listbox value={slip} onChange={choose}>
        <ListboxButton>{slip}</ListboxButton>
        <ListboxOptions>
          {slips.map((name) => (
            <ListboxOption key={name} value={name}>
              {name}
            </ListboxOption>
          ))}
        </ListboxOptions>
      </Listbox>
    );
  };
  return (
    <Page>
      <Slips />
    </Page>
  );
});

specimen("combobox", () => {
  const Slips = () => {
    const [slip, choose] = useState(null);
    const [asked, ask] = useState("");
    return (
      <Combobox value={slip} onChange={choose}>
        <ComboboxInput aria-label="Slip" onChange={(event) => ask(event.target.value)} />
        <ComboboxOptions aria-label="Slips">
          {slips
            .filter((name) => name.toLowerCase().includes(asked.toLowerCase()))
            .map((name) => (
              <ComboboxOption key={name} value={name}>
                {name}
              </ComboboxOption>
            ))}
        </ComboboxOptions>
      </Combobox>
    );
  };
  return (
    <Page>
      <Slips />
    </Page>
  );
});

specimen("slider", () => (
  <Page>
    <Slider.Root defaultValue={[20]} max={100} step={5}>
      <Slider.Track>
        <Slider.Range />
      </Slider.Track>
      <Slider.Thumb aria-label="Depth" />
    </Slider.Root>
  </Page>
));
