import { Icon, type IconName } from '@/Icon';

interface IconButtonProps {
  icon: IconName;
  label: string;
  onPress: () => void;
}

export function IconButton({ icon, label, onPress }: IconButtonProps) {
  return (
    <button type="button" aria-label={label} onClick={onPress}>
      <Icon name={icon} />
    </button>
  );
}
