import { Menu } from '@mantine/core';
import { IconDots, type Icon as TablerIcon } from '@tabler/icons-react';
import { Link } from 'react-router';
import '../parts/fields/popover-styles.ts';
import '@mantine/core/styles/Menu.css';

/** The places that have no room in the bar of a phone. */
export function MorePlaces(props: {
  readonly places: readonly { readonly to: string; readonly label: string; readonly Icon: TablerIcon }[];
}) {
  const { places } = props;
  return (
    <Menu position="top-end" width={220}>
      <Menu.Target>
        <button type="button" className="rail-more">
          <IconDots size={28} stroke={1.6} aria-hidden="true" />
          More
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        {places.map(({ to, label, Icon }) => (
          <Menu.Item
            key={to}
            component={Link}
            to={to}
            mih={56}
            fz={18}
            leftSection={<Icon size={24} stroke={1.6} aria-hidden="true" />}
          >
            {label}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}
