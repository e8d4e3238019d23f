/** @jsxImportSource preact */
import { growerDocument } from './document';
import { GrowerView, type GrowerViewProps } from './grower-view';

/** The page of a grower as it is sent. */
export function growerHtml(props: GrowerViewProps, nonce: string): string {
  const { wording, token } = props;
  return growerDocument({
    language: wording.language,
    title: wording.say('page.title'),
    nonce,
    script: { src: '/grower.js', token },
    children: <GrowerView {...props} />,
  });
}
