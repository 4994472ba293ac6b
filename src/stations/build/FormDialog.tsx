'use client';
import type { Build } from '@/core/document/production';
import { sceneOf } from '@/core/evaluate/context';
import type { GalleryEntry } from '@/core/evaluate/gallery';
import { carriedOver } from '@/core/evaluate/starter';
import { FORMS } from '@/core/forms';
import { Dialog } from '@/ui/Dialog';
import { newBuild } from '../shell/actions';
import { useSession } from '../shell/Workbench';
import { useWorkplace } from '../shell/useWorkplace';
import { useProductionStore } from '../store/context';
import { useEdits } from '../store/useEdits';
import { FormGallery } from './FormGallery';

interface FormDialogProps {
  /** the build whose form is changed; null to start another light for the shot */
  build: Build | null;
  shotId: string;
  onClose: () => void;
}

/** The gallery over the sheet: to turn a build into another form, or to start one more. */
export default function FormDialog({ build, shotId, onClose }: FormDialogProps) {
  const store = useProductionStore();
  const edits = useEdits();
  const { goTo } = useWorkplace();
  const { say } = useSession();
  const start = (entry: GalleryEntry) => {
    const made = newBuild(store.getState().document, entry.formId, shotId, entry.parameters);
    edits.add('build', made, `start ${made.name}`);
    goTo('build', { build: made.id });
    onClose();
  };
  const turn = (entry: GalleryEntry, from: Build) => {
    const form = FORMS.get(entry.formId)!;
    const { context } = sceneOf(store.getState().document, from);
    const carried = carriedOver(form, from.parameters, entry.parameters, context);
    edits.record(
      'build',
      from.id,
      `${from.name} becomes a ${entry.name.toLowerCase()}`,
      (target) =>
        void Object.assign(target, { form: entry.formId, parameters: carried.parameters }),
    );
    say(`Now a ${entry.name.toLowerCase()}; ${carried.kept.length} settings kept.`);
    onClose();
  };
  return (
    <Dialog
      title={build ? `Another form for ${build.name}` : 'Another light'}
      open
      onClose={onClose}
      place="wide"
    >
      <FormGallery
        shotId={shotId}
        current={build?.form}
        action={build ? 'Make it' : 'Start'}
        onPick={(entry) => (build ? turn(entry, build) : start(entry))}
      />
    </Dialog>
  );
}
