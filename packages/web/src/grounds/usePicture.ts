import type { PictureView } from '@bluffwind/contract/pictures';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { ChartPicture } from '../chart/pictureLayer';
import { pictureDataQuery, picturesQuery } from './queries';

/** The picture that is shown under the chart, once it is there. */
export function usePicture(waterId: string, shown: string | null): ChartPicture | null {
  const list = useQuery({ ...picturesQuery(waterId), enabled: waterId !== '' && shown !== null });
  const view: PictureView | undefined = list.data?.find((p) => p.id === shown);
  const data = useQuery({ ...pictureDataQuery(shown ?? ''), enabled: view !== undefined });
  const [picture, setPicture] = useState<ChartPicture | null>(null);
  useEffect(() => {
    setPicture(null);
    if (!view || !data.data) return;
    let gone = false;
    const image = new Image();
    image.src = `data:image/jpeg;base64,${data.data.data}`;
    void image.decode().then(() => {
      if (!gone) setPicture({ ...view, image });
    });
    return () => {
      gone = true;
    };
  }, [view, data.data]);
  return picture;
}
