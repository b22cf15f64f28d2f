package inkel.app.state;

import inkel.app.lane.Notice;
import inkel.app.store.OnDisk;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.document.Build;
import inkel.core.log.Merge;
import inkel.core.quantity.Fact;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** Notices that somebody else wrote into the open build's file, and asks what is to become of both. */
final class OutsideWork {
    private final Session session;
    private final BuildFiles files;

    /** What was found in the file at last and asked about. */
    private Build asked;

    OutsideWork(Session session, BuildFiles files) {
        this.session = session;
        this.files = files;
    }

    void look(Path path) {
        Optional<OnDisk> known = files.onDisk();
        if (known.isEmpty() || session.practice().isOn() || session.log().isLooking()) {
            return;
        }
        Catalog classes = session.catalog();
        session.lanes().files().execute(() -> Outside.of(path, known, classes)
                .ifPresent(found -> session.lanes().screen().execute(() -> {
                    if (path.equals(files.fileProperty().get())
                            && known.equals(files.onDisk())
                            && !found.build().equals(asked)) {
                        ask(found);
                    }
                })));
    }

    void ask(Outside found) {
        Build mine = session.ownBuild().orElseThrow();
        asked = found.build();
        Path path = found.file();
        String name = String.valueOf(path.getFileName());
        if (mine.equals(found.base())) {
            session.notices()
                    .trouble(
                            Words.get("notice.outside", "file", name),
                            new Notice.Action(Words.get("notice.outside.open"), () -> files.open(path)));
            return;
        }
        Merge merge = found.joined(mine, true, session.now());
        if (merge.both().isEmpty()) {
            session.notices()
                    .trouble(
                            Words.get("notice.outside.both", "file", name),
                            new Notice.Action(Words.get("notice.outside.join"), () -> join(found, merge)),
                            new Notice.Action(Words.get("notice.outside.keep"), () -> keepBoth(path)));
            return;
        }
        session.notices()
                .trouble(
                        Words.say(Fact.of("notice.outside.meet")
                                .with("file", name)
                                .with("what", found.sideBySide(mine, merge.both()))),
                        new Notice.Action(Words.get("notice.outside.mine"), () -> join(found, merge)),
                        new Notice.Action(
                                Words.get("notice.outside.theirs"),
                                () -> join(found, found.joined(mine, false, session.now()))),
                        new Notice.Action(Words.get("notice.outside.keep"), () -> keepBoth(path)));
    }

    /** @param over saves over what can no longer be read */
    void askSpoilt(Path path, Runnable over) {
        session.notices()
                .trouble(
                        Words.get("notice.spoilt", "file", path.getFileName()),
                        new Notice.Action(Words.get("notice.spoilt.over"), over),
                        new Notice.Action(Words.get("notice.outside.keep"), () -> keepBoth(path)));
    }

    private void join(Outside found, Merge merge) {
        session.notices().clear();
        session.toOwn();
        session.replace(merge.build());
        files.know(new OnDisk(found.build(), found.text()));
        files.saveAs(found.file());
    }

    /** The own build goes on in a file beside the other one. */
    private void keepBoth(Path path) {
        session.notices().clear();
        String name = String.valueOf(path.getFileName()).replaceFirst("\\.inkel\\.json$", "");
        Path beside = path.resolveSibling(name + "-mine.inkel.json");
        for (int i = 2; Files.exists(beside); i++) {
            beside = path.resolveSibling(name + "-mine-" + i + ".inkel.json");
        }
        files.saveAs(beside);
    }
}
