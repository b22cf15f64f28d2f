package inkel.app.cli;

import inkel.app.words.Words;
import inkel.core.finding.Finding;
import java.util.Map;

/** A finding as the commands print it. */
final class FindingJson {
    private FindingJson() {}

    static Map<String, Object> of(Finding finding) {
        Map<String, Object> answer = Json.object();
        answer.put("code", finding.code());
        answer.put("severity", finding.severity().text());
        answer.put("node", finding.place().node());
        answer.put("subject", finding.place().toString());
        if (finding.places().size() > 1) {
            answer.put(
                    "also",
                    finding.places().stream().skip(1).map(Object::toString).toList());
        }
        answer.put("message", Words.say(finding.sentence()));
        Map<String, Object> numbers = Json.object();
        finding.evidence().forEach(evidence -> Json.put(numbers, evidence.key(), evidence.value()));
        answer.put("numbers", numbers);
        answer.put(
                "fixes",
                finding.fixes().stream()
                        .map(fix -> {
                            Map<String, Object> entry = Json.object();
                            entry.put("id", fix.id());
                            entry.put("title", Words.say(fix.title()));
                            return entry;
                        })
                        .toList());
        return answer;
    }
}
