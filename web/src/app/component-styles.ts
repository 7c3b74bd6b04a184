// Only the styles of the components that are used, in the library's own order: all of them together are four times as much.
// Those of fields, windows, menus and bars come with the places and parts that show one.
import '@mantine/core/styles/baseline.css';
import '@mantine/core/styles/default-css-variables.css';
import '@mantine/core/styles/global.css';
import '@mantine/core/styles/UnstyledButton.css';
import '@mantine/core/styles/VisuallyHidden.css';
import '@mantine/core/styles/Paper.css';
import '@mantine/core/styles/Group.css';
import '@mantine/core/styles/Loader.css';
import '@mantine/core/styles/Flex.css';
import '@mantine/core/styles/Button.css';
