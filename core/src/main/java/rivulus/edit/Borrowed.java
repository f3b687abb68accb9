package rivulus.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rivulus.gear.Catalogue;
import rivulus.show.Device;
import rivulus.show.OwnTemplate;
import rivulus.show.Show;
import rivulus.words.Words;

/// A part of another evening that this one may begin with, whole, in place of its own.
public enum Borrowed {
    /// Who is in it, where, and who listens.
    CAST("cast") {
        @Override
        Show into(Show show, Show other) {
            return show.withCast(other.cast()).withPlaces(other.places()).withEars(other.ears());
        }

        @Override
        List<String> replaced(Show show, Show other) {
            return List.of(
                    show.cast().people().size() + " in the cast",
                    Words.count(show.ears().size(), "ear"));
        }
    },
    /// The gear, its leads, and what is in the cupboard.
    RIG("rig") {
        @Override
        Show into(Show show, Show other) {
            Set<String> known = new HashSet<>();
            for (OwnTemplate own : other.templates()) known.add(own.template().id());
            List<OwnTemplate> kinds = new ArrayList<>(other.templates());
            for (OwnTemplate own : show.templates())
                if (!known.contains(own.template().id())) kinds.add(own);
            return show.withTemplates(kinds).withRig(other.rig());
        }

        @Override
        List<String> replaced(Show show, Show other) {
            List<String> gone = new ArrayList<>();
            for (Device device : show.rig().devices())
                if (other.rig().device(device.id()).isEmpty()) gone.add(device.name());
            gone.add(Words.count(show.rig().cables().size(), "lead"));
            return gone;
        }
    },
    /// The scenes, and how the knobs stand in them.
    SCENES("scenes") {
        @Override
        Show into(Show show, Show other) {
            return show.withRundown(show.rundown().withScenes(other.scenes()));
        }

        @Override
        List<String> replaced(Show show, Show other) {
            return show.scenes().stream().map(scene -> "the scene " + scene.name()).toList();
        }
    };

    private final String word;

    Borrowed(String word) {
        this.word = word;
    }

    /// "the rig".
    public String words() {
        return "the " + word;
    }

    abstract Show into(Show show, Show other);

    abstract List<String> replaced(Show show, Show other);

    /// The show with that part of another in place of its own; what no longer fits goes along.
    public Edit from(Show other, Show show, Catalogue catalogue) {
        Edit edit =
                new Parts(into(show, other), catalogue)
                        .cleaned(
                                "Take %s of %s".formatted(words(), other.title()),
                                into(show, other))
                        .from(show);
        List<String> losses = new ArrayList<>(replaced(show, other));
        losses.addAll(edit.losses());
        return new Edit(edit.name(), edit.change(), losses);
    }
}
