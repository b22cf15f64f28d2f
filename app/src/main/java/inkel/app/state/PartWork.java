package inkel.app.state;

import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.CatalogSearch;
import inkel.core.catalog.Kind;
import inkel.core.catalog.OwnClass;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Unfed;
import inkel.core.document.Place;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.quantity.Fact;
import inkel.core.remedy.FeedTable;
import inkel.core.remedy.PutParts;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;

/** Finding classes, putting parts on the table, and the builder's own classes. */
public final class PartWork {
    private final Session session;
    private final AtomicLong lastQuestion = new AtomicLong();
    private CatalogSearch search;
    private Catalog searched;

    PartWork(Session session) {
        this.session = session;
    }

    /** Finds classes in the background; a question that a later one has overtaken is not looked into. */
    public void search(String question, Consumer<List<CatalogSearch.Hit>> show) {
        long mine = lastQuestion.incrementAndGet();
        Catalog classes = session.catalog();
        CatalogSearch known = classes == searched ? search : null;
        session.lanes().searching().execute(() -> {
            if (mine != lastQuestion.get()) {
                return;
            }
            CatalogSearch index = known == null ? new CatalogSearch(classes) : known;
            List<CatalogSearch.Hit> hits = index.find(question);
            session.lanes().screen().execute(() -> {
                search = index;
                searched = classes;
                if (mine == lastQuestion.get()) {
                    show.accept(hits);
                }
            });
        });
    }

    /** Puts parts of a class on the shown table, fed where a rail suits, and selects the first of them. */
    public void add(PartClass cls, int count) {
        Assessment now = session.assessmentProperty().get();
        String node = session.nodeProperty().get();
        Optional<NodeCircuit> circuit = shown();
        if (circuit.isEmpty() || cls.kind() == Kind.BOARD) {
            session.notices().trouble(Words.get("notice.one_board"));
            return;
        }
        List<Edit> edits = PutParts.of(now.reports().circuit(), node, cls, count);
        String first = ((AddPart) edits.get(0)).part().id();
        session.selection().wantPlace(Place.ofPart(node, first));
        session.apply(edits);
        session.selection().inspect(null);
    }

    /** Whether nothing is brought to some part of the shown table. */
    public boolean isSomeUnfed() {
        return shown().filter(node -> !Unfed.of(node).isEmpty()).isPresent();
    }

    /** Feeds what nothing is brought to from the rails of the shown table, as one step. */
    public void feedAll() {
        Assessment now = session.assessmentProperty().get();
        List<Feed> feeds = now == null
                ? List.of()
                : FeedTable.of(now.reports().circuit(), session.nodeProperty().get());
        if (feeds.isEmpty()) {
            session.notices().trouble(Words.get("notice.nothing_to_feed"));
        } else if (session.apply(List.copyOf(feeds))) {
            session.notices().done(Words.say(Fact.of("notice.fed").with("count", feeds.size())));
        }
    }

    private Optional<NodeCircuit> shown() {
        Assessment now = session.assessmentProperty().get();
        return now == null
                ? Optional.empty()
                : now.circuit(session.nodeProperty().get());
    }

    /** Keeps a definition on the shelf and shows it; parts of its class are judged anew. */
    public void keep(OwnClass entry) {
        session.shelves().keep(entry, () -> {
            session.notices().done(Words.get("notice.kept", "name", entry.cls().name()));
            session.selection().inspect(entry.cls());
        });
    }

    /** Takes an own definition away, unless the open build uses it. */
    public void forget(PartClass cls) {
        boolean isUsed = session.build().stream()
                .flatMap(open -> open.nodes().stream())
                .flatMap(of -> of.parts().stream())
                .anyMatch(part -> part.classId().equals(cls.id()));
        if (isUsed) {
            session.notices().trouble(Words.get("notice.class_in_use", "name", cls.name()));
            return;
        }
        session.shelves().remove(cls.id(), () -> {
            session.selection().inspect(null);
            session.notices().done(Words.get("notice.forgotten", "name", cls.name()));
        });
    }

    /** Reads part definitions from a file into the shelf. */
    public void bringIn(Path path) {
        session.shelves().bringIn(path, session.selection()::inspect);
    }
}
