<script setup>
import * as H from "@headlessui/vue";
import * as R from "reka-ui";

defineProps({ name: String });
const slips = ["Slip 4", "Slip 5", "Quay berth"];
const boats = [{ name: "Quay", children: [{ name: "Petrel" }] }, { name: "Slips" }];
</script>

<template>
  <main>
    <button type="button">Before</button>
    <R.DialogRoot v-if="name === 'dialog'">
      <R.DialogTrigger>Book</R.DialogTrigger>
      <R.DialogPortal>
        <R.DialogOverlay />
        <R.DialogContent>
          <R.DialogTitle>Book slip 4</R.DialogTitle>
          <R.DialogDescription>From Monday</R.DialogDescription>
          <input aria-label="Boat" />
          <R.DialogClose>Close</R.DialogClose>
        </R.DialogContent>
      </R.DialogPortal>
    </R.DialogRoot>
    <R.DropdownMenuRoot v-if="name === 'menu'">
      <R.DropdownMenuTrigger>Slip 4</R.DropdownMenuTrigger>
      <R.DropdownMenuPortal>
        <R.DropdownMenuContent>
          <R.DropdownMenuItem>Move</R.DropdownMenuItem>
          <R.DropdownMenuItem disabled>Sell</R.DropdownMenuItem>
          <R.DropdownMenuItem>Cancel</R.DropdownMenuItem>
        </R.DropdownMenuContent>
      </R.DropdownMenuPortal>
    </R.DropdownMenuRoot>
    <R.SelectRoot v-if="name === 'select'" default-value="Slip 4">
      <R.SelectTrigger aria-label="Slip"><R.SelectValue /></R.SelectTrigger>
      <R.SelectPortal>
        <R.SelectContent>
          <R.SelectViewport>
            <R.SelectItem v-for="slip in slips" :key="slip" :value="slip"><R.SelectItemText>{{ slip }}</R.SelectItemText></R.SelectItem>
          </R.SelectViewport>
        </R.SelectContent>
      </R.SelectPortal>
    </R.SelectRoot>
    <R.TreeRoot v-if="name === 'tree'" v-slot="{ flattenItems }" :items="boats" :get-key="(boat) => boat.name" aria-label="Boats">
      <R.TreeItem v-for="item in flattenItems" :key="item._id" v-bind="item.bind">{{ item.value.name }}</R.TreeItem>
    </R.TreeRoot>
    <R.SwitchRoot v-if="name === 'switch'" aria-label="Night light"><R.SwitchThumb /></R.SwitchRoot>
    <R.RadioGroupRoot v-if="name === 'radio group'" aria-label="Berth" default-value="Slip 4">
      <R.RadioGroupItem v-for="slip in slips" :key="slip" :value="slip" :aria-label="slip"><R.RadioGroupIndicator /></R.RadioGroupItem>
    </R.RadioGroupRoot>
    <R.PopoverRoot v-if="name === 'popover'">
      <R.PopoverTrigger>Fees</R.PopoverTrigger>
      <R.PopoverPortal>
        <R.PopoverContent aria-label="Fees">18 a day<R.PopoverClose>Close</R.PopoverClose></R.PopoverContent>
      </R.PopoverPortal>
    </R.PopoverRoot>
    <R.StepperRoot v-if="name === 'wizard'" :default-value="1">
      <R.StepperItem v-for="(step, at) in ['Boat', 'Slip', 'Pay']" :key="step" :step="at + 1">
        <R.StepperTrigger><R.StepperTitle>{{ step }}</R.StepperTitle></R.StepperTrigger>
      </R.StepperItem>
    </R.StepperRoot>
    <H.Disclosure v-if="name === 'disclosure'">
      <H.DisclosureButton>Fees</H.DisclosureButton>
      <H.DisclosurePanel>18 a day</H.DisclosurePanel>
    </H.Disclosure>
    <H.TabGroup v-if="name === 'tabs'">
      <H.TabList aria-label="Slip 4"><H.Tab>Times</H.Tab><H.Tab>Depth</H.Tab></H.TabList>
      <H.TabPanels><H.TabPanel>06:10</H.TabPanel><H.TabPanel>2.1 m</H.TabPanel></H.TabPanels>
    </H.TabGroup>
    <button type="button">After</button>
  </main>
</template>
