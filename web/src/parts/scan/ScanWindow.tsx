import { Dialog } from '../fields/Dialog.tsx';
import { useEffect, useRef, useState } from 'react';
import { findSquare } from '../../workers/square-client.ts';
import './scan.css';
import { PhotoOfSquare } from './PhotoOfSquare.tsx';

/** Looked for so often: a hand holds a jar still for longer. */
const LOOK_EVERY_MS = 160;
/** A square that fills a quarter of the picture is read at this width, pixels. */
const LOOK_WIDTH_PX = 720;

/** What is the matter with the camera, by what the browser calls it. */
const CAMERA_FAULTS: Readonly<Record<string, string>> = {
  NotAllowedError:
    'The camera is blocked for this page. Allow it in the browser’s settings for this page, or use a photo.',
  NotFoundError: 'No camera was found. Use a photo.',
  NotReadableError: 'Another app is using the camera. Close it, or use a photo.',
};

/** A camera that is just let go of by another window, or slow to start, is asked again. */
const BUSY: ReadonlySet<string> = new Set(['AbortError', 'NotReadableError']);
const MORE_TRIES = 3;
const TRY_AGAIN_MS = 700;

/** The picture the camera sees at this moment; `null` before there is one. */
function pictureNow(video: HTMLVideoElement, canvas: HTMLCanvasElement): ImageData | null {
  if (video.videoWidth === 0) return null;
  const scale = Math.min(1, LOOK_WIDTH_PX / video.videoWidth);
  canvas.width = Math.round(video.videoWidth * scale);
  canvas.height = Math.round(video.videoHeight * scale);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  context?.drawImage(video, 0, 0, canvas.width, canvas.height);
  return context?.getImageData(0, 0, canvas.width, canvas.height) ?? null;
}

/** Looks through the camera until it sees a square that is taken. */
export function ScanWindow(props: {
  readonly title: string;
  readonly onSquare: (text: string) => string | null;
  readonly onClose: () => void;
}) {
  const { title } = props;
  const latest = useRef(props);
  latest.current = props;
  const [video, setVideo] = useState<HTMLVideoElement | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);

  useEffect(() => {
    if (!video) return;
    let stream: MediaStream | null = null;
    const canvas = document.createElement('canvas');
    const gone = new AbortController();
    const left = (): boolean => gone.signal.aborted;
    const opened = async (triesLeft: number): Promise<MediaStream> => {
      try {
        return await navigator.mediaDevices.getUserMedia({
          video: { facingMode: 'environment', width: { ideal: 1280 } },
        });
      } catch (error) {
        if (left() || triesLeft === 0 || !(error instanceof Error) || !BUSY.has(error.name)) throw error;
        await new Promise((resolve) => setTimeout(resolve, TRY_AGAIN_MS));
        return opened(triesLeft - 1);
      }
    };
    const look = async (): Promise<void> => {
      stream = await opened(MORE_TRIES);
      if (left()) return stop();
      video.srcObject = stream;
      await video.play();
      while (!left()) {
        const picture = pictureNow(video, canvas);
        const text = picture && (await findSquare(picture));
        if (left()) return;
        if (text) {
          const wrong = latest.current.onSquare(text);
          if (wrong === null) return latest.current.onClose();
          setSaid(wrong);
        }
        await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS));
      }
    };
    const stop = (): void => {
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
    look().catch((error: unknown) => {
      if (left()) return;
      const name = error instanceof Error ? error.name : '';
      setFault(CAMERA_FAULTS[name] ?? 'The camera cannot be used here. Use a photo.');
    });
    return () => {
      gone.abort();
      stop();
    };
  }, [video]);

  return (
    <Dialog onClose={props.onClose} title={title}>
      <div className="column">
        <div className="finder">
          <video ref={setVideo} muted playsInline aria-label="What the camera sees" />
          <span className="finder-frame" aria-hidden="true" />
        </div>
        <p role="status">{said ?? 'Hold the code in the frame, a hand’s width away.'}</p>
        {fault && (
          <p className="field-error" role="alert">
            {fault}
          </p>
        )}
        <PhotoOfSquare
          label="Use a photo"
          onSquare={props.onSquare}
          onRead={(wrong) => (wrong === null ? props.onClose() : setFault(wrong))}
        />
      </div>
    </Dialog>
  );
}
