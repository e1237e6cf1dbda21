<script>
import {
  Accordion,
  AlertDialog,
  Calendar,
  Combobox,
  DropdownMenu,
  Slider,
  Tabs,
  ToggleGroup,
  Tooltip,
} from "bits-ui";

const { name } = $props();
const slips = ["Slip 4", "Slip 5", "Quay berth"];
</script>

<main>
  <button type="button">Before</button>
  {#if name === "alert dialog"}
    <AlertDialog.Root>
      <AlertDialog.Trigger>Sell</AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay />
        <AlertDialog.Content>
          <AlertDialog.Title>Sell Petrel?</AlertDialog.Title>
          <AlertDialog.Description>For good</AlertDialog.Description>
          <AlertDialog.Cancel>Keep</AlertDialog.Cancel>
          <AlertDialog.Action>Sell</AlertDialog.Action>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  {:else if name === "menu"}
    <DropdownMenu.Root>
      <DropdownMenu.Trigger>Slip 4</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content>
          <DropdownMenu.Item>Move</DropdownMenu.Item>
          <DropdownMenu.Item>Cancel</DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  {:else if name === "combobox"}
    <Combobox.Root type="single">
      <Combobox.Input aria-label="Slip" />
      <Combobox.Trigger aria-label="Show slips">v</Combobox.Trigger>
      <Combobox.Portal>
        <Combobox.Content>
          <Combobox.Viewport>
            {#each slips as slip (slip)}<Combobox.Item value={slip} label={slip}>{slip}</Combobox.Item>{/each}
          </Combobox.Viewport>
        </Combobox.Content>
      </Combobox.Portal>
    </Combobox.Root>
  {:else if name === "tabs"}
    <Tabs.Root value="times">
      <Tabs.List aria-label="Slip 4">
        <Tabs.Trigger value="times">Times</Tabs.Trigger>
        <Tabs.Trigger value="depth">Depth</Tabs.Trigger>
      </Tabs.List>
      <Tabs.Content value="times">06:10</Tabs.Content>
      <Tabs.Content value="depth">2.1 m</Tabs.Content>
    </Tabs.Root>
  {:else if name === "accordion"}
    <Accordion.Root type="single">
      <Accordion.Item value="fees">
        <Accordion.Header><Accordion.Trigger>Fees</Accordion.Trigger></Accordion.Header>
        <Accordion.Content>18 a day</Accordion.Content>
      </Accordion.Item>
    </Accordion.Root>
  {:else if name === "slider"}
    <Slider.Root type="single" value={20}>
      <Slider.Range />
      <Slider.Thumb index={0} aria-label="Depth" />
    </Slider.Root>
  {:else if name === "toggle group"}
    <ToggleGroup.Root type="single" aria-label="View">
      <ToggleGroup.Item value="list">List</ToggleGroup.Item>
      <ToggleGroup.Item value="map">Map</ToggleGroup.Item>
    </ToggleGroup.Root>
  {:else if name === "tooltip"}
    <Tooltip.Provider>
      <Tooltip.Root delayDuration={0}>
        <Tooltip.Trigger>Save</Tooltip.Trigger>
        <Tooltip.Portal><Tooltip.Content>Saves the booking</Tooltip.Content></Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  {:else if name === "calendar"}
    <Calendar.Root type="single" calendarLabel="Day of sailing">
      {#snippet children({ months, weekdays })}
        <Calendar.Header>
          <Calendar.PrevButton>&lt;</Calendar.PrevButton>
          <Calendar.Heading />
          <Calendar.NextButton>&gt;</Calendar.NextButton>
        </Calendar.Header>
        {#each months as month (month.value)}
          <Calendar.Grid aria-label="Days">
            <Calendar.GridHead>
              <Calendar.GridRow>
                {#each weekdays as day, at (at)}<Calendar.HeadCell>{day}</Calendar.HeadCell>{/each}
              </Calendar.GridRow>
            </Calendar.GridHead>
            <Calendar.GridBody>
              {#each month.weeks as week (week)}
                <Calendar.GridRow>
                  {#each week as date (date)}<Calendar.Cell {date} month={month.value}><Calendar.Day /></Calendar.Cell>{/each}
                </Calendar.GridRow>
              {/each}
            </Calendar.GridBody>
          </Calendar.Grid>
        {/each}
      {/snippet}
    </Calendar.Root>
  {/if}
  <button type="button">After</button>
</main>
