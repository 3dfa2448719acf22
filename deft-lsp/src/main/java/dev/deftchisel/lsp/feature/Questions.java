package dev.deftchisel.lsp.feature;

import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Question;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.eclipse.lsp4j.MessageActionItem;
import org.eclipse.lsp4j.MessageType;
import org.eclipse.lsp4j.ShowMessageRequestParams;

/**
 * Asks the user what an operation wants to be told, by {@code window/showMessageRequest}: names to pick from, choices,
 * yes or no. Whoever closes a question takes the standard.
 */
public final class Questions {

    private final Session session;

    public Questions(Session session) {
        this.session = session;
    }

    /**
     * Something that can be answered by one click.
     *
     * @param titles  what is shown
     * @param answers what they stand for, in the same order
     */
    private record QuickQuestion(String key, String label, List<String> titles, List<String> answers) {
    }

    /** What an offer asks, as far as it can be asked by clicks. */
    private static Optional<QuickQuestion> asked(Question question) {
        if (question instanceof Question.Choice choice && choice.options().size() > 1) {
            return Optional.of(new QuickQuestion(choice.key(), choice.label(), choice.options().stream()
                    .map(Question.Option::label).toList(),
                    choice.options().stream().map(Question.Option::key).toList()));
        } else if (question instanceof Question.Flag flag) {
            return Optional.of(new QuickQuestion(flag.key(), flag.label(), List.of("yes", "no"),
                    List.of("true", "false")));
        } else if (question instanceof Question.Proposed name && name.proposals().size() > 1) {
            return Optional.of(new QuickQuestion(name.key(), name.label(), name.proposals(), name.proposals()));
        }
        return Optional.empty();
    }

    /** The questions of an offer; on the worker's thread. */
    public static List<Question> of(Session.RequestContext asked, Actions.Action action) {
        Place place = new Place(asked.file().path(), new Range(action.start(), action.end()));
        return asked.chisel().offers(place).stream().filter(offer -> offer.operation().equals(action.id())).findFirst()
                .map(Offer::questions).orElse(List.of());
    }

    /** Asks one after the other. */
    public CompletableFuture<Answers> ask(List<Question> questions) {
        CompletableFuture<Answers> all = CompletableFuture.completedFuture(Answers.none());
        for (Question question : questions) {
            Optional<QuickQuestion> one = asked(question);
            if (one.isPresent()) {
                all = all.thenCompose(said -> ask(one.get(), said));
            }
        }
        return all;
    }

    private CompletableFuture<Answers> ask(QuickQuestion one, Answers said) {
        List<MessageActionItem> items = new ArrayList<>();
        one.titles().forEach(title -> items.add(new MessageActionItem(title)));
        ShowMessageRequestParams message = new ShowMessageRequestParams(items);
        message.setType(MessageType.Info);
        message.setMessage(one.label());
        return session.editor().showMessageRequest(message).thenApply(taken -> {
            int index = taken == null ? -1 : one.titles().indexOf(taken.getTitle());
            return index < 0 ? said : said.and(one.key(), one.answers().get(index));
        });
    }
}
