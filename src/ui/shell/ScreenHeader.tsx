import { PlusOutlined } from '@ant-design/icons';
import { Button, Input } from 'antd';
import type { ReactNode } from 'react';
import styles from './ScreenHeader.module.css';

interface Props {
  readonly title: string;
  /** How much is on it. */
  readonly told?: ReactNode;
  /** The field to find something by, and the button that begins something new. */
  readonly children?: ReactNode;
}

/** The head of a screen. */
export const ScreenHeader = ({ title, told, children }: Props) => (
  <header className={styles.header}>
    <h1>{title}</h1>
    {told !== undefined && (
      <p className="soft" role="status">
        {told}
      </p>
    )}
    {children}
  </header>
);

interface FindProps {
  readonly label: string;
  readonly hint?: string;
  readonly sought: string;
  readonly onSeek: (sought: string) => void;
}

/** Finds something on a screen as one types. */
export const Find = ({ label, hint = label, sought, onSeek }: FindProps) => (
  <Input
    className={styles.find}
    aria-label={label}
    placeholder={hint}
    allowClear
    value={sought}
    onChange={(event) => onSeek(event.target.value)}
  />
);

interface BeginProps {
  readonly children: string;
  readonly disabled?: boolean;
  /** It has begun: pressed again, it is left. */
  readonly begun: boolean;
  readonly onBegin: () => void;
}

/** Begins something new. */
export const Begin = ({ children, disabled = false, begun, onBegin }: BeginProps) => (
  <Button
    type="primary"
    size="large"
    icon={<PlusOutlined aria-hidden />}
    className={styles.begin}
    disabled={disabled}
    aria-expanded={begun}
    onClick={onBegin}
  >
    {children}
  </Button>
);
