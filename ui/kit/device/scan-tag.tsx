'use client';

import { type ReactNode, useEffect, useRef, useState } from 'react';
import { codeIn } from '@/core/plan/benches/find-seat';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';

/** Largest side of a picture that is searched, pixels: enough for a tag held close, and quick; then as much again for one from afar. */
const SEARCHED = 1000;
const SEARCHED_CLOSELY = 2400;

interface ScanTagProps {
  onCode: (code: string) => void;
  onClose: () => void;
  /** Other ways to say which tag it is. */
  children?: ReactNode;
}

/** Reads the QR code of a tag with the camera, or from a picture where there is no camera. */
export function ScanTag({ onCode, onClose, children }: ScanTagProps) {
  const video = useRef<HTMLVideoElement>(null);
  const [message, setMessage] = useState('');
  const [camera, setCamera] = useState<'asking' | 'on' | 'none'>('asking');
  useEffect(() => {
    let stream: MediaStream | null = null;
    let again: ReturnType<typeof setTimeout>;
    let gone = false;
    const search = async (): Promise<void> => {
      const picture = video.current;
      const code =
        picture && picture.videoWidth > 0 ? await readPicture(picture, picture.videoWidth, picture.videoHeight) : null;
      if (gone) return;
      if (code) return onCode(code);
      again = setTimeout(() => void search(), 200);
    };
    const begin = async (): Promise<void> => {
      try {
        stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
        if (gone || !video.current) return stream.getTracks().forEach((track) => track.stop());
        video.current.srcObject = stream;
        await video.current.play();
        setCamera('on');
        await search();
      } catch {
        if (!gone) setCamera('none');
      }
    };
    void begin();
    return () => {
      gone = true;
      clearTimeout(again);
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, [onCode]);
  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setMessage('');
    try {
      const picture = await createImageBitmap(file);
      const code =
        (await readPicture(picture, picture.width, picture.height)) ??
        (await readPicture(picture, picture.width, picture.height, SEARCHED_CLOSELY));
      if (code) return onCode(code);
      setMessage(
        'No tag of ours is to be read in this picture. Take it closer, straight on, in even light; or type the six characters.',
      );
    } catch {
      setMessage('This file is no picture the browser can open. Choose a photo, or type the six characters.');
    }
  };
  return (
    <SheetDialog
      title="Scan a tag"
      description="Hold the square code of the tag in front of the camera."
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <video
        ref={video}
        muted
        playsInline
        className={`w-full border-2 border-ink ${camera === 'on' ? '' : 'hidden'}`}
        aria-label="Picture of the camera"
      />
      {camera === 'none' && <p>No camera can be used here. Choose a photo of the tag instead.</p>}
      <PhotoOfTag read={read} />
      {children}
      <p role="status" className="font-bold">
        {message}
      </p>
    </SheetDialog>
  );
}

/** The code of a tag in a picture. What reads QR codes is loaded with the first picture, not with the page. */
async function readPicture(
  picture: CanvasImageSource,
  width: number,
  height: number,
  searched = SEARCHED,
): Promise<string | null> {
  const { default: jsQR } = await import('jsqr');
  const scale = Math.min(1, searched / Math.max(width, height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(width * scale);
  canvas.height = Math.round(height * scale);
  const pen = canvas.getContext('2d', { willReadFrequently: true })!;
  pen.drawImage(picture, 0, 0, canvas.width, canvas.height);
  const { data } = pen.getImageData(0, 0, canvas.width, canvas.height);
  const found = jsQR(data, canvas.width, canvas.height);
  return found ? codeIn(found.data) : null;
}

interface PhotoOfTagProps {
  read: (file: File | undefined) => Promise<void>;
}

/** A photo of the tag instead. */
function PhotoOfTag({ read }: PhotoOfTagProps) {
  return (
    <label className="bench-button">
      From a photo
      <input
        type="file"
        accept="image/*"
        className="sr-only"
        onChange={(event) => {
          void read(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </label>
  );
}
