'use client';

import { App, Button, Dropdown, Input, Modal, Popover, Select, Slider, Switch } from 'antd';
import { useState } from 'react';

/** One of each component that the planning screen uses, and nothing else. */
export default function Page() {
  const { message } = App.useApp();
  const [open, setOpen] = useState(false);
  return (
    <main>
      <Button onClick={() => void message.info('pressed')}>Press</Button>
      <Input aria-label="Text" />
      <Select aria-label="List" options={[{ value: 'one', label: 'one' }]} showSearch />
      <Slider ariaLabelForHandle="Size" />
      <Switch aria-label="Switch" />
      <Popover content="more">
        <Button>More</Button>
      </Popover>
      <Dropdown menu={{ items: [{ key: 'one', label: 'one' }] }}>
        <Button>Menu</Button>
      </Dropdown>
      <Button onClick={() => setOpen(true)}>Open</Button>
      <Modal open={open} onCancel={() => setOpen(false)} title="Sheet" footer={null} />
    </main>
  );
}
