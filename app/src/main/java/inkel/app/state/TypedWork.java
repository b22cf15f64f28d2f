package inkel.app.state;

import inkel.app.lane.Notice;
import inkel.app.lane.Trouble;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** What is being typed and in no build yet: kept while it is typed, offered after a run that ended meanwhile. */
public final class TypedWork {
    private static final int MOST_SHOWN = 80;
    private static final int MOST_FIELDS = 3;

    private final Session session;
    private final TypedText store;
    private Consumer<String> copy = text -> {};
    private boolean isTold;

    TypedWork(Session session, Path folder) {
        this.session = session;
        store = new TypedText(folder);
    }

    /**
     * What stands in a field and is in no build yet.
     *
     * @param field what the field is called, in the words of the run that it was typed in
     */
    public record Typed(String field, String text) {}

    /** @param how puts a text where it can be pasted from */
    public void onCopy(Consumer<String> how) {
        copy = how;
    }

    /** Writes what stands in fields now, in the lane that keeps. */
    public void keep(List<Typed> typed) {
        session.lanes().keeping().execute(() -> {
            try {
                store.keep(typed);
            } catch (IOException failed) {
                // The build itself is not in danger, and the lane tells of a disk that takes nothing.
                Trouble.minor(TypedWork.class, "what is typed is not kept", failed);
            }
        });
    }

    /** Offers what earlier runs left, once and when nothing else is being told. */
    public void offer() {
        session.lanes().files().execute(() -> {
            List<TypedText.Left> left = store.left();
            session.lanes().screen().execute(() -> {
                if (!left.isEmpty()) {
                    session.notices().property().addListener((property, old, next) -> session.lanes()
                            .screen()
                            .execute(() -> tell(left)));
                    tell(left);
                }
            });
        });
    }

    private void tell(List<TypedText.Left> left) {
        if (isTold || session.notices().property().get() != null) {
            return;
        }
        isTold = true;
        List<Typed> texts = left.stream().flatMap(each -> each.texts().stream()).toList();
        session.notices()
                .show(Notice.trouble(
                        Words.say(Fact.of("notice.typed").with("what", shown(texts))),
                        new Notice.Action(Words.get("notice.typed.copy"), () -> {
                            copy.accept(whole(texts));
                            forget(left);
                            session.notices().done(Words.get("notice.typed.copied"));
                        }),
                        new Notice.Action(Words.get("notice.typed.drop"), () -> {
                            forget(left);
                            session.notices().clear();
                        })));
    }

    private static String shown(List<Typed> texts) {
        List<String> shown = new ArrayList<>();
        for (Typed each : texts.subList(0, Math.min(MOST_FIELDS, texts.size()))) {
            String plain = each.text().strip().replaceAll("\\s+", " ");
            shown.add(Words.say(Fact.of("notice.typed.one")
                    .with("field", each.field())
                    .with("text", plain.length() <= MOST_SHOWN ? plain : plain.substring(0, MOST_SHOWN) + " …")));
        }
        if (texts.size() > MOST_FIELDS) {
            shown.add(Words.get("notice.typed.more", "count", texts.size() - MOST_FIELDS));
        }
        return String.join(", ", shown);
    }

    private static String whole(List<Typed> texts) {
        return texts.size() == 1
                ? texts.get(0).text()
                : texts.stream().map(each -> each.field() + ": " + each.text()).collect(Collectors.joining("\n"));
    }

    private void forget(List<TypedText.Left> left) {
        session.lanes().keeping().execute(() -> {
            for (TypedText.Left each : left) {
                try {
                    store.forget(each.file());
                } catch (IOException failed) {
                    Trouble.minor(TypedWork.class, "what was typed is not forgotten", failed);
                }
            }
        });
    }
}
