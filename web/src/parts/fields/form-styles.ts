// Fields and forms: with the first place that has one. The library's own come first.
import '@mantine/core/styles/CloseButton.css';
import '@mantine/core/styles/Input.css';
import '@mantine/core/styles/InlineInput.css';
import '@mantine/core/styles/Checkbox.css';
import './forms.css';
