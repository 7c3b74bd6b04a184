import type { DeviceFacts } from '../../data/device-facts.ts';

/** What a device can do for a kitchen, in words. */
export interface Ability {
  readonly name: string;
  /** `maybe`: it works, but not for certain. */
  readonly works: 'yes' | 'maybe' | 'no';
  readonly text: string;
}

type Said = Omit<Ability, 'name'>;
const yes = (text: string): Said => ({ works: 'yes', text });
const maybe = (text: string): Said => ({ works: 'maybe', text });
const no = (text: string): Said => ({ works: 'no', text });

const NOT_SECURE = 'Works only at the secure address. Trust this kitchen first.';

const CAMERA: Readonly<Record<DeviceFacts['camera'], Said>> = {
  allowed: yes('The camera reads tags and labels.'),
  ask: yes('The browser asks for the camera at the first scan. Allow it then.'),
  blocked: no('The camera is blocked for this page. Allow it in the browser’s settings for this page.'),
  none: no('No camera was found. Type the numbers, or use a photo.'),
  unsupported: no('This browser gives the page no camera. Use a photo.'),
};
const SCREEN: Readonly<Record<DeviceFacts['screen'], Said>> = {
  'stays-on': yes('The screen stays on while a batch is open.'),
  refused: maybe('The browser refused just now. A low battery or battery saver can be the reason.'),
  unsupported: no('This browser cannot keep the screen on. Set a longer screen timeout on the device.'),
};
const PAGE: Readonly<Record<DeviceFacts['page'], Said>> = {
  kept: yes('The pages are saved here. They open and go on while the network is away.'),
  'on-its-way': maybe('The pages are being saved now. Check again in a minute.'),
  unsupported: no('This browser does not save the pages. Leave this page open while a batch is under way.'),
};
const NOTICES: Readonly<Record<DeviceFacts['notices'], Said>> = {
  allowed: yes('Alarms show as notifications while another page is in front.'),
  ask: no('Not allowed yet. Tap “Allow notifications”.'),
  blocked: no('Notifications are blocked for this page. Allow them in the browser’s settings for this page.'),
  unsupported: no(
    'This browser has none for this page. Some devices allow them once the page is on the home screen.',
  ),
};

/** What works on this device and what does not, with what to do about it. */
export function abilities(facts: DeviceFacts, sound: boolean): Ability[] {
  const securely = (said: Said): Said => (facts.secure ? said : no(NOT_SECURE));
  return [
    {
      name: 'Secure address',
      ...(facts.secure
        ? yes('The address is secure. Nobody else on the network can read along.')
        : no('This address is not secure. Anyone who listens on your network can read along.')),
    },
    {
      name: 'Scan tags and labels',
      ...(facts.secure
        ? CAMERA[facts.camera]
        : no('Works with photos only. Trust this kitchen to scan live.')),
    },
    { name: 'Screen stays on', ...securely(SCREEN[facts.screen]) },
    { name: 'Works without the network', ...securely(PAGE[facts.page]) },
    {
      name: 'Entries kept on this device',
      ...(facts.lasting
        ? yes('The browser promises to keep entries until they are sent.')
        : maybe(
            'Entries are kept until they are sent. The browser may clear them if the device runs out of room.',
          )),
    },
    {
      name: 'Sound',
      ...(sound
        ? yes('Alarms can be heard while this page is open.')
        : no('Sound is off. Tap “Play sound”.')),
    },
    { name: 'Notifications', ...securely(NOTICES[facts.notices]) },
    {
      name: 'Alarms while the device is locked',
      ...(facts.secure && facts.notices === 'allowed'
        ? maybe(
            'The device may put the page to sleep after some minutes in the dark. Keep the screen on during a batch, or set a second alarm.',
          )
        : no('A locked device does not ring. Keep the screen on during a batch, or set a second alarm.')),
    },
  ];
}
