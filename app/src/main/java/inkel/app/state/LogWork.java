package inkel.app.state;

import inkel.app.store.Opened;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.checks.Compared;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.edit.BlankLine;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.WriteLine;
import inkel.core.io.document.Pictures;
import inkel.core.io.document.PlanPatch;
import inkel.core.log.Did;
import inkel.core.log.Entry;
import inkel.core.log.PlanChanges;
import inkel.core.log.Register;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleIntegerProperty;

/** The record as it is looked through, and lines that are written by hand. */
public final class LogWork {
    private static final long MOST_PICTURE = 50_000_000;

    private final Session session;
    private final ReadOnlyIntegerWrapper changes = new ReadOnlyIntegerWrapper();
    private final ReadOnlyObjectWrapper<LookedAt> looked = new ReadOnlyObjectWrapper<>();
    private final Set<Entry.Sort> sorts = EnumSet.noneOf(Entry.Sort.class);
    private final IntegerProperty answering = new SimpleIntegerProperty(-1);
    private final IntegerProperty against = new SimpleIntegerProperty(-1);
    private Side compared;
    private Build[] asked = new Build[2];
    private String query = "";
    private int selected = -1;
    private Build registered;
    private Register register;

    /**
     * A state that is looked at.
     *
     * @param line after which line of the record it was so
     */
    public record LookedAt(int line, Instant at) {}

    LogWork(Session session) {
        this.session = session;
        session.assessmentProperty().addListener((property, old, next) -> change());
        against.addListener((property, old, next) -> change());
    }

    /** Changes whenever what is shown of the record may have. */
    public ReadOnlyIntegerProperty changesProperty() {
        return changes.getReadOnlyProperty();
    }

    private void change() {
        changes.set(changes.get() + 1);
    }

    /** Days are those of the builder. */
    public ZoneId zone() {
        return ZoneId.systemDefault();
    }

    public Optional<Register> register() {
        return session.ownBuild().map(build -> {
            if (build != registered) {
                registered = build;
                register = Register.of(build);
            }
            return register;
        });
    }

    /** By which the two records are known that a line joins; none for any other line. */
    public List<String> parents(int line) {
        return register().map(all -> all.build().log().mark(line).parents()).orElse(List.of());
    }

    public Optional<Entry> selected() {
        return register().flatMap(all -> all.entry(selected));
    }

    /** @param number of the line, from 0; -1 for none */
    public void select(int number) {
        selected = number;
        change();
    }

    public Set<Entry.Sort> sorts() {
        return Set.copyOf(sorts);
    }

    /** Shows lines of a sort too, or no longer; none chosen means all. */
    public void turn(Entry.Sort sort) {
        if (!sorts.remove(sort)) {
            sorts.add(sort);
        }
        change();
    }

    public void showAll() {
        sorts.clear();
        change();
    }

    public String query() {
        return query;
    }

    public void search(String text) {
        query = text.strip();
        change();
    }

    /** Those that are searched for and of the chosen sorts, the newest first. */
    public List<Entry> shown() {
        return register()
                .map(all -> all.entries().stream()
                        .filter(entry -> sorts.isEmpty() || sorts.contains(entry.sort()))
                        .filter(new EntrySearch(query, LocalDate.ofInstant(session.now(), zone()), zone())
                                .in(all.build()))
                        .toList())
                .orElse(List.of());
    }

    // --- writing

    /** The number of the line that is to be answered next; -1 for none. */
    public IntegerProperty answeringProperty() {
        return answering;
    }

    /**
     * Writes a line by hand.
     *
     * @param answers the number of the line it answers, which it is noted for; empty for none
     * @return what is wrong with it; empty when it was written
     */
    public Optional<String> write(
            Entry.Sort sort, Place place, String text, String value, String picture, Optional<Integer> answers) {
        if (text.isBlank() && value.isBlank()) {
            return Optional.of(Words.get("log.write.empty"));
        }
        if (!picture.isBlank() && !Pictures.isOne(picture.strip())) {
            return Optional.of(Words.get("log.write.picture"));
        }
        Instant now = session.now();
        String said = text.strip();
        boolean isPlain = value.isBlank() && picture.isBlank() && answers.isEmpty();
        String whole = isPlain || sort == Entry.Sort.NOTED || value.isBlank() ? said : said + ": " + value.strip();
        LogLine line =
                switch (sort) {
                    case DECIDED -> new LogLine.Decided(now, place, whole, Extras.NONE);
                    case CHANGED -> new LogLine.Changed(now, place, whole, Extras.NONE);
                    case SWAPPED -> new LogLine.Swapped(now, place, whole, Extras.NONE);
                    case WENT_WRONG -> new LogLine.WentWrong(now, place, whole, Extras.NONE);
                    default ->
                        new LogLine.Noted(now, place, said, answers, value.strip(), picture.strip(), Extras.NONE);
                };
        if (session.apply(new WriteLine(line))) {
            select(session.ownBuild().orElseThrow().log().size() - 1);
        }
        return Optional.empty();
    }

    /** Takes the text of a line out; the line stays. */
    public void blank(Entry entry) {
        session.apply(new BlankLine(entry.line().place().node(), entry.number()));
    }

    /** Sorts that are written by hand, and not by the bench. */
    public static List<Entry.Sort> written() {
        return Arrays.stream(Entry.Sort.values())
                .filter(sort -> sort != Entry.Sort.MEASURED)
                .toList();
    }

    // --- as it was

    /** The plan after a line; empty where nobody kept the way back. */
    public Optional<Build> then(int line) {
        return session.ownBuild().flatMap(now -> PlanPatch.at(now, line, session.catalog()));
    }

    /**
     * One thing that was done to the plan.
     *
     * @param back makes it as it was; empty where nothing on paper does
     */
    public record Done(String said, List<Edit> back) {
        public Done {
            back = List.copyOf(back);
        }
    }

    /**
     * Two states side by side, in words.
     *
     * @param done what was done to the plan
     * @param numbers what became of its numbers
     * @param gone verdicts that no longer hold
     * @param come verdicts that hold since
     */
    public record Since(List<Done> done, List<String> numbers, List<String> gone, List<String> come) {
        /** What was done, in words. */
        public List<String> plan() {
            return done.stream().map(Done::said).toList();
        }

        public boolean isSame() {
            return done.isEmpty() && numbers.isEmpty() && gone.isEmpty() && come.isEmpty();
        }
    }

    /** The line that a chosen one is compared with; -1 for the build as it is now. */
    public IntegerProperty againstProperty() {
        return against;
    }

    /**
     * What was between a line and the one it is compared with. The plan is compared at once; numbers and verdicts are worked
     * out beside the window, and {@link #changesProperty} changes when they are there.
     *
     * @return empty where the way back was not kept
     */
    public Optional<Since> since(int line) {
        Optional<Build> one = then(line);
        Optional<Build> other = against.get() < 0 ? session.ownBuild() : then(against.get());
        if (one.isEmpty() || other.isEmpty()) {
            return Optional.empty();
        }
        boolean isEarlier = against.get() < 0 || line < against.get();
        Build before = isEarlier ? one.get() : other.get();
        Build after = isEarlier ? other.get() : one.get();
        if (compared != null
                && compared.before().equals(before)
                && compared.after().equals(after)) {
            return Optional.of(compared.said());
        }
        List<Done> plan = new ArrayList<>();
        for (Did did : PlanChanges.between(before, after)) {
            plan.add(new Done(
                    RecordWords.place(after, did.place()) + ": " + DidWords.say(did.what()),
                    against.get() < 0 ? did.back() : List.of()));
        }
        if (!plan.isEmpty() && !(before.equals(asked[0]) && after.equals(asked[1]))) {
            asked = new Build[] {before, after};
            session.draw(
                    () -> new Side(before, after, say(after, Compared.of(judged(before), judged(after)), plan)),
                    found -> {
                        compared = found;
                        change();
                    });
        }
        return Optional.of(
                compared != null
                                && compared.before().equals(before)
                                && compared.after().equals(after)
                        ? compared.said()
                        : new Since(plan, List.of(), List.of(), List.of()));
    }

    private record Side(Build before, Build after, Since said) {}

    private Assessment judged(Build build) {
        return Opened.judge(build, session.catalog());
    }

    private static Since say(Build now, Compared compared, List<Done> plan) {
        return new Since(
                plan,
                compared.numbers().stream()
                        .map(told -> RecordWords.place(now, told.place()) + ": " + Words.say(told.what()))
                        .toList(),
                compared.gone().stream()
                        .map(finding -> Words.say(finding.sentence()))
                        .toList(),
                compared.come().stream()
                        .map(finding -> Words.say(finding.sentence()))
                        .toList());
    }

    /** Makes one thing as it was, as a step that can be undone; the record gets a line of it like of any other. */
    public boolean takeBack(Done done) {
        return session.apply(done.back());
    }

    // --- pictures

    /** What came of looking for a picture: where it is, or a sentence why it cannot be shown. */
    public record Picture(Optional<Path> file, String trouble) {}

    /**
     * The picture that a line names, in the folder of the build and nowhere else, whatever links lead out of there.
     */
    public Picture picture(String path) {
        Path build = session.files().fileProperty().get();
        if (build == null || !Pictures.isOne(path)) {
            return new Picture(Optional.empty(), Words.get("log.picture.no_folder"));
        }
        try {
            Path folder = build.toAbsolutePath().getParent().toRealPath();
            Path file = folder.resolve(path).toRealPath();
            if (!file.startsWith(folder) || !Files.isRegularFile(file)) {
                return new Picture(Optional.empty(), Words.get("log.picture.outside", "path", path));
            }
            return Files.size(file) > MOST_PICTURE
                    ? new Picture(Optional.empty(), Words.get("log.picture.large", "path", path))
                    : new Picture(Optional.of(file), "");
        } catch (IOException missing) {
            return new Picture(Optional.empty(), Words.get("log.picture.missing", "path", path));
        }
    }

    /** Whether a state of before is looked at, and nothing can be changed. */
    public boolean isLooking() {
        return looked.get() != null;
    }

    public ReadOnlyObjectProperty<LookedAt> lookedProperty() {
        return looked.getReadOnlyProperty();
    }

    /** Shows the build as it was after a line, in every stage; the present one is left as it is. */
    public void look(Entry entry) {
        session.toOwn();
        then(entry.number()).ifPresent(then -> {
            looked.set(new LookedAt(entry.number(), entry.line().at()));
            session.look(then);
        });
    }

    public void backToNow() {
        if (isLooking()) {
            looked.set(null);
            session.stopLooking();
        }
    }

    /** Another build is open. */
    void forget() {
        looked.set(null);
        selected = -1;
        against.set(-1);
        compared = null;
        asked = new Build[2];
        query = "";
        sorts.clear();
    }
}
