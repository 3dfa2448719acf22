package dev.deftchisel.signature;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rename.FamilyObstacles;
import dev.deftchisel.rename.NamesElsewhere;
import dev.deftchisel.rename.UnseenUses;
import dev.deftchisel.rename.mention.StringReferences;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.Name;
import javax.lang.model.element.TypeElement;

/**
 * What a changed signature concerns besides its declarations and calls: text that mentions a name, frameworks that know
 * one, and what nobody could see.
 */
final class NamesAround {

    private final SymbolKey.Method method;
    /** None where nobody mentions the constructor that a record gets by itself. */
    private final Optional<Symbol> target;
    private final Analysis before;
    private final Answers answers;
    private final Optional<FamilyObstacles> obstacles;

    /** @param before in which every file that mentions the method was looked at */
    NamesAround(SymbolKey method, Analysis before, Answers answers) {
        this.method = (SymbolKey.Method) method;
        this.target = before.symbol(method);
        this.before = before;
        this.answers = answers;
        this.obstacles = target.map(symbol -> new FamilyObstacles(symbol, Family.of(symbol, before), before,
                "changed"));
    }

    /** Why the method has to stay as it is; empty when it does not. */
    List<Reason> obstacles() {
        return obstacles.stream().flatMap(all -> all.reasons().stream()).map(reason -> before.declaration(method)
                .filter(declared -> reason.file().isEmpty()).map(declared -> Reason.at(declared.file(),
                        declared.range(), reason.sentence())).orElse(reason)).toList();
    }

    /** A change of the method with all that is around it. */
    Plan.Ready with(Plan.Ready planned) {
        Map<SymbolKey, String> names = planned.change().meaning().names().entrySet().stream()
                .filter(entry -> before.symbol(entry.getKey()).filter(symbol -> !symbol.kind().isLocal()).isPresent())
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        Change change = planned.change();
        for (String note : notes(change)) {
            change = change.note(note);
        }
        Optional<Symbol> renamed = names.containsKey(method) ? target
                : names.keySet().stream().flatMap(key -> before.symbol(key).stream())
                        .min(Comparator.comparing(Symbol::name).thenComparing(Symbol::kind));
        if (renamed.isEmpty()) {
            return new Plan.Ready(change, planned.before());
        }
        NamesElsewhere elsewhere = new NamesElsewhere(renamed.get(), names.get(renamed.get().key()), names, before,
                answers);
        for (Map<Path, List<Edit>> more : elsewhere.inJava(known(change))) {
            change = with(change, more);
        }
        for (FileChange text : elsewhere.texts()) {
            change = change.creating(text);
        }
        for (String note : elsewhere.notes()) {
            change = change.note(note);
        }
        return new Plan.Ready(change, planned.before());
    }

    private List<String> notes(Change change) {
        List<String> notes = new ArrayList<>(target.map(symbol -> UnseenUses.notes(symbol, before))
                .orElse(List.of()));
        obstacles.map(FamilyObstacles::notes).ifPresent(notes::addAll);
        boolean isPassedOther = Optional.ofNullable(change.meaning().signatures().get(method))
                .filter(now -> now.origins().isPresent() && !now.keepsPositions(NewSignature.parameters(
                        method.descriptor()).size())).isPresent();
        if (isPassedOther) {
            before.declaration(method).ifPresent(declared -> {
                notes.addAll(namedInAnnotation(before.snapshot().source(declared.file())));
                read().ifPresent(annotation -> notes.add(before.snapshot().show(declared.file(), declared.range()
                        .start()) + ": @" + annotation + " may have this called by others; whether they can with its "
                        + "new parameters was not checked"));
            });
        }
        return notes;
    }

    /** The annotation of the method that can be read at run time (JLS 9.6.4.2), and is none of the platform. */
    private Optional<Name> read() {
        return before.known(method).stream().flatMap(known -> known.element().getAnnotationMirrors().stream())
                .map(annotation -> annotation.getAnnotationType().asElement())
                .filter(type -> !((TypeElement) type).getQualifiedName().toString().startsWith("java.lang.")
                        && Optional.ofNullable(type.getAnnotation(Retention.class)).map(Retention::value)
                                .filter(RetentionPolicy.RUNTIME::equals).isPresent())
                .map(Element::getSimpleName).findFirst();
    }

    /** A method that an annotation names is called by whoever reads it. */
    private List<String> namedInAnnotation(SourceFile home) {
        return StringReferences.all(home.tokens(), method.name()).stream().map(place -> before.snapshot()
                .show(home.path(), place.start()) + ": an annotation names '" + method.name()
                + "' here; whether its new parameters are allowed there was not checked").toList();
    }

    private static Map<Path, Set<Range>> known(Change change) {
        return change.files().stream().collect(Collectors.toMap(FileChange::path, file -> file.edits().stream()
                .map(Edit::range).collect(Collectors.toSet())));
    }

    /** Further edits, but those within code that is written anew; what is inserted at one place is put together. */
    private Change with(Change change, Map<Path, List<Edit>> more) {
        Map<Path, List<Edit>> all = new LinkedHashMap<>();
        more.forEach((path, edits) -> {
            List<Edit> own = change.file(path).map(FileChange::edits).orElse(List.of());
            Map<Range, Edit> inserted = new HashMap<>();
            own.stream().filter(edit -> edit.range().length() == 0).forEach(edit -> inserted.put(edit.range(), edit));
            all.put(path, edits.stream().filter(edit -> own.stream().noneMatch(one -> one.range()
                    .overlaps(edit.range()))).map(edit -> inserted.containsKey(edit.range())
                    ? joined(inserted.get(edit.range()), edit) : edit).toList());
        });
        return change.plus(all, before.snapshot());
    }

    private static Edit joined(Edit first, Edit other) {
        return new Edit(first.range(), first.replacement() + other.replacement(), first.kind(), true,
                first.carried(), first.alike(), first.unneeded(), first.linked());
    }
}
