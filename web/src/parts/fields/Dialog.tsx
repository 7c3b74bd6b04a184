import '@mantine/core/styles/Overlay.css';
import '@mantine/core/styles/ModalBase.css';
import '@mantine/core/styles/Modal.css';
import { Modal } from '@mantine/core';
import type { ReactNode } from 'react';

/** Its head is no head of the page: a screen reader would find two of them. */
const NO_BANNER = { header: { role: 'presentation' } };

/** A window over the page. It is rare: its styles come with the first part that opens one. */
export const Dialog = (props: {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}) => (
  <Modal opened onClose={props.onClose} title={props.title} attributes={NO_BANNER}>
    {props.children}
  </Modal>
);
