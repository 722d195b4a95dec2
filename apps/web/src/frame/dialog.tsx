import { useEffect, useRef, type CSSProperties, type ReactNode } from 'react';
import Modal from 'react-bootstrap/Modal';

const FOCUSABLE = 'input, select, textarea, button, a[href], [tabindex]';

/**
 * A box over the page: the page behind takes no keys and no focus until it is closed, and gets the focus back then. Escape
 * closes it. A stray press beside it closes it where nothing can be lost by that, and does nothing where something is typed.
 */
export function Dialog({
  name,
  label,
  width,
  typed = false,
  close,
  children,
}: {
  /** The class that its own styles hang on. */
  readonly name: string;
  /** What it is called; the words of its heading. */
  readonly label: string;
  /** px, where the screen has so many. */
  readonly width: number;
  /** Something is typed in it that a stray press must not lose. */
  readonly typed?: boolean;
  readonly close: () => void;
  readonly children: ReactNode;
}): React.JSX.Element {
  return (
    <Modal
      show
      animation={false}
      aria-label={label}
      backdrop={typed ? 'static' : true}
      contentClassName={name}
      style={{ '--bs-modal-width': `${width}px` } as CSSProperties}
      onHide={close}
      onEscapeKeyDown={(e) => {
        // Taken here: the same key means something to the page behind.
        e.preventDefault();
        close();
      }}
    >
      <Begun>{children}</Begun>
    </Modal>
  );
}

/** Hands begin at the first thing that can be filled in or pressed. */
function Begun({ children }: { readonly children: ReactNode }): React.JSX.Element {
  const body = useRef<HTMLDivElement>(null);
  useEffect(() => body.current?.querySelector<HTMLElement>(FOCUSABLE)?.focus(), []);
  return (
    <Modal.Body as="div" ref={body}>
      {children}
    </Modal.Body>
  );
}
