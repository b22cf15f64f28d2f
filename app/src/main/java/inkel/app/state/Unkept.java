package inkel.app.state;

import inkel.app.lane.Lanes;
import inkel.app.lane.Trouble;
import inkel.app.state.TuneWork.At;
import inkel.app.store.RunFile;
import inkel.core.document.Tuning;
import inkel.core.io.document.UnkeptText;
import inkel.core.io.json.TextFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.tune.Draft;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;

/** Keeps what lies on benches and is in no build yet beside the settings, so that a run that ends early does not lose it. */
final class Unkept {
    private final Lanes lanes;
    private final RunFile files;
    private final AtomicReference<Now> latest = new AtomicReference<>();
    private String written = "";

    /** Whether there was ever anything to keep: most sessions touch no bench. */
    private boolean isUsed;

    /** All that is there now, by what its builds are known by: worked on here, and left by an earlier run. */
    record Now(Map<String, Map<At, Draft>> drafts, Map<String, Map<At, Tuning>> left) {}

    Unkept(Lanes lanes, Path folder) {
        this.lanes = lanes;
        files = new RunFile(folder, "benches-", ".json");
    }

    /** Writes what is there now; of several in a row only the last. */
    void keep(Now now) {
        isUsed |= now.drafts().values().stream().anyMatch(of -> !of.isEmpty())
                || now.left().values().stream().anyMatch(of -> !of.isEmpty());
        if (isUsed && latest.getAndSet(now) == null) {
            lanes.keeping().execute(() -> write(latest.getAndSet(null)));
        }
    }

    private void write(Now now) {
        Map<String, Map<At, Tuning>> all = new LinkedHashMap<>();
        now.left().forEach((build, left) -> all.put(build, new LinkedHashMap<>(left)));
        now.drafts()
                .forEach((build, drafts) -> drafts.forEach((at, draft) ->
                        all.computeIfAbsent(build, key -> new LinkedHashMap<>()).put(at, draft.tuning())));
        Map<String, List<UnkeptText.Unkept>> found = new LinkedHashMap<>();
        all.forEach((build, of) -> found.put(
                build,
                of.entrySet().stream()
                        .map(one -> new UnkeptText.Unkept(one.getKey().part(), one.getValue()))
                        .toList()));
        String text = UnkeptText.print(found);
        try {
            if (!text.equals(written)) {
                files.write(text);
                written = text;
            }
        } catch (IOException failed) {
            // The build itself is not in danger, and the lane tells of a disk that takes nothing.
            Trouble.minor(Unkept.class, "what is on the benches is not kept", failed);
        }
    }

    /**
     * Reads what ended runs left.
     *
     * @param taken takes it on the screen lane, and keeps it again before the old files go
     */
    void read(Consumer<Map<String, Map<At, Tuning>>> taken) {
        lanes.files().execute(() -> {
            Map<String, Map<At, Tuning>> left = new HashMap<>();
            List<Path> old = new ArrayList<>();
            try {
                for (Path file : files.left()) {
                    UnkeptText.parse(TextFile.read(file))
                            .forEach((build, all) ->
                                    all.forEach(one -> left.computeIfAbsent(build, key -> new LinkedHashMap<>())
                                            .put(new At(one.part(), one.tuning().bench()), one.tuning())));
                    old.add(file);
                }
            } catch (IOException | UnreadableFile failed) {
                Trouble.minor(Unkept.class, "what was on the benches is not read", failed);
            }
            if (!old.isEmpty()) {
                lanes.screen().execute(() -> {
                    taken.accept(left);
                    lanes.keeping().execute(() -> old.forEach(this::delete));
                });
            }
        });
    }

    private void delete(Path file) {
        try {
            files.delete(file);
        } catch (IOException failed) {
            Trouble.minor(Unkept.class, "what was on the benches is not forgotten", failed);
        }
    }
}
