package inkel.app.state;

import inkel.app.lane.Notice;
import inkel.app.words.Words;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Logbook;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.NodeChange;
import inkel.core.document.edit.AddNode;
import inkel.core.document.edit.AlsoAt;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveNode;
import inkel.core.document.edit.SetMoment;
import inkel.core.quantity.Fact;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Builds that are begun, boards that come and go, and the moments of a board. */
public final class BoardWork {
    private final Session session;

    BoardWork(Session session) {
        this.session = session;
    }

    /** Begins a new build with one board; it has no file until it is saved. */
    public void begin(Node first) {
        session.files().openNew(new Build(first.name(), List.of(first), Logbook.EMPTY, Extras.NONE));
    }

    /** Adds a board to the open build and shows it. */
    public void add(Node added) {
        if (session.apply(new AddNode(added))) {
            show(added.id());
        }
    }

    /** Adds equals of a board behind it, with names that count on; the first of them is shown. */
    public void copy(String id, int count) {
        session.build().ifPresent(build -> build.node(id).ifPresent(old -> {
            List<CopyNode> edits = new ArrayList<>();
            Set<String> names = new HashSet<>();
            build.nodes().forEach(node -> names.add(node.name()));
            Set<String> ids = new HashSet<>();
            for (int number = 2; edits.size() < count; number++) {
                String name = Words.say(
                        Fact.of("node.equal").with("name", stem(old.name())).with("number", number));
                String newId = build.freeNodeId(name);
                if (names.add(name) && ids.add(newId)) {
                    edits.add(new CopyNode(id, newId, name));
                }
            }
            if (session.apply(edits)) {
                show(edits.get(0).newId());
            }
        }));
    }

    /** A name without the number behind it. */
    private static String stem(String name) {
        return name.replaceFirst(" \\d+$", "");
    }

    /** What was done on one of equal boards can be done on the others, by one press. */
    void offerToEquals(Build before, Build after, List<? extends Edit> edits) {
        if (edits.stream().anyMatch(AlsoAt.class::isInstance)) {
            return;
        }
        for (Node was : before.nodes()) {
            Optional<Node> is = after.node(was.id());
            List<Node> equals = after.equalsOf(was.id());
            if (is.isPresent() && !equals.isEmpty() && !new NodeChange(was, is.get()).isEmpty()) {
                NodeChange change = new NodeChange(was, is.get());
                String said = Words.say(Fact.of("notice.equals")
                        .with("boards", equals.stream().map(Node::name).toList()));
                List<AlsoAt> there = equals.stream()
                        .map(node -> new AlsoAt(node.id(), change))
                        .toList();
                session.notices()
                        .also(said, new Notice.Action(Words.get("notice.equals.do"), () -> session.apply(there)));
                return;
            }
        }
    }

    /** Takes a board and its parts away; another one is shown. */
    public void remove(String id) {
        session.apply(new RemoveNode(id));
    }

    private void show(String id) {
        session.selection().wantNode(id, session.assessmentProperty().get());
    }

    /** Adds a moment without parts to the shown board, to be filled in; answers its id. */
    public Optional<String> addMoment() {
        Optional<Node> now =
                session.build().flatMap(open -> open.node(session.nodeProperty().get()));
        if (now.isEmpty()) {
            return Optional.empty();
        }
        String id = freeMomentId(now.get());
        String name = Words.get("moments.new", "number", now.get().moments().size() + 1);
        Moment moment = new Moment(
                id, name, List.of(), TimeSpan.ofSeconds(1), Optional.empty(), Optional.empty(), Set.of(), Extras.NONE);
        return session.apply(new SetMoment(now.get().id(), moment)) ? Optional.of(id) : Optional.empty();
    }

    private static String freeMomentId(Node of) {
        int number = of.moments().size() + 1;
        while (of.moment("moment-" + number).isPresent()) {
            number++;
        }
        return "moment-" + number;
    }
}
