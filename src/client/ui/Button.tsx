import { Button as AriaButton } from 'react-aria-components';
import { styled } from 'styled-components';
import { color, size, space, touch } from './tokens.ts';

/** `main` is the next act of the screen; there is at most one. `quiet` has no border. */
export const Button = styled(AriaButton)<{ $look?: 'main' | 'plain' | 'quiet' | 'oxide' }>`
  min-height: ${touch};
  min-width: ${touch};
  padding: ${space.s} ${space.m};
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: ${space.s};
  font-size: ${size.body};
  font-weight: 600;
  border-radius: 3px;
  cursor: pointer;
  border: 1.5px solid
    ${({ $look }) => ($look === 'quiet' ? 'transparent' : $look === 'oxide' ? color.oxide : color.blueing)};
  background: ${({ $look }) => ($look === 'main' ? color.blueing : 'transparent')};
  color: ${({ $look }) => ($look === 'main' ? color.onBlueing : $look === 'oxide' ? color.oxide : color.blueing)};
  &[data-hovered] {
    text-decoration: underline;
  }
  &[data-disabled] {
    border-color: ${color.zincLine};
    background: ${color.zincWash};
    color: ${color.zinc};
    cursor: default;
  }
` as typeof AriaButton &
  ((
    props: { $look?: 'main' | 'plain' | 'quiet' | 'oxide' } & Parameters<typeof AriaButton>[0],
  ) => ReturnType<typeof AriaButton>);
