// What opens under a field: its styles come with the first field that opens something.
import '@mantine/core/styles/ScrollArea.css';
import '@mantine/core/styles/Popover.css';
import '@mantine/core/styles/Combobox.css';
