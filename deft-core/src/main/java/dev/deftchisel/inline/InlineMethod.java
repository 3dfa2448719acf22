package dev.deftchisel.inline;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.inline.call.Accessible;
import dev.deftchisel.inline.call.CallEdits;
import dev.deftchisel.inline.call.CallObjections;
import dev.deftchisel.inline.call.CallSite;
import dev.deftchisel.inline.call.Callee;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Opening;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Puts what a method does where it is called. */
final class InlineMethod {

    private final ResolvedPlace resolved;
    private final Symbol method;
    private final Analyst analyst;

    InlineMethod(ResolvedPlace resolved, Symbol method, Analyst analyst) {
        this.resolved = resolved;
        this.method = method;
        this.analyst = analyst;
    }

    /**
     * Works it out.
     *
     * @param onlyHere only the call at the place
     * @param stays    whether the declaration stays
     * @param opens    whether what the method uses and a caller may not is opened; the proof then has to look further,
     *                 see {@link Opening#widened}
     */
    Plan plan(boolean onlyHere, boolean stays, boolean opens) {
        Optional<SourceFile> declaring = analyst.declaring(method.key());
        if (declaring.isEmpty()) {
            return Plan.refused(resolved, "the method " + method.signature() + " is not declared in the workspace");
        }
        Focus focus = focus(declaring.get(), onlyHere);
        Analysis near = analyst.analyse(focus);
        Set<Path> more = opens ? declaringHidden(near, onlyHere) : Set.of();
        Analysis before = focus.files().containsAll(more) ? near : analyst.analyse(focus.andFiles(more));
        Callee.CalleeResult found = Callee.of(before, method);
        if (found instanceof Callee.NotInlinable no) {
            return Plan.refused(no.reason());
        }
        List<Binding> uses = uses(before, onlyHere);
        if (uses.isEmpty()) {
            return Plan.refused(resolved, onlyHere ? "this is no call; put the caret on the call that is to give way"
                    : "the method is never called");
        }
        boolean isWished = !onlyHere && !stays;
        boolean mustStay = isWished && Callee.overrides(before, method);
        Plan plan = plan(before, ((Callee.Inlinable) found).callee(), uses, isWished && !mustStay,
                opens ? Optional.of(new Opening(before)) : Optional.empty());
        return mustStay && plan instanceof Plan.Ready ready
                ? new Plan.Ready(ready.change().note("the declaration stays, since the method overrides another"),
                        before) : plan;
    }

    private List<Binding> uses(Analysis before, boolean onlyHere) {
        return before.uses(method.key()).stream()
                .filter(use -> use.role() != Role.DECLARATION && use.role() != Role.DOC && use.isNamed())
                .filter(use -> !onlyHere || resolved.isAt(use))
                .toList();
    }

    /** Where that is declared which the method uses and some caller may not. */
    private Set<Path> declaringHidden(Analysis near, boolean onlyHere) {
        Set<Path> files = new HashSet<>();
        if (Callee.of(near, method) instanceof Callee.Inlinable found) {
            Callee callee = found.callee();
            for (Binding use : uses(near, onlyHere)) {
                AttributedFile code = near.code(use.file()).orElseThrow();
                code.call(use).flatMap(code::enclosingType).ifPresent(here -> new Accessible(code, here).hidden(callee)
                        .forEach(element -> analyst.declaring(callee.code().key(element)).map(SourceFile::path)
                                .ifPresent(files::add)));
            }
        }
        return files;
    }

    /** Every file in which it may be called, with the body of its declaration. */
    private Focus focus(SourceFile declaring, boolean onlyHere) {
        Set<Path> files = new HashSet<>(List.of(declaring.path(), resolved.file().path()));
        if (!onlyHere && !method.isPrivate()) {
            files.addAll(analyst.snapshot().pathsMentioning(Set.of(method.name())));
        }
        Analysis declared = analyst.analyse(Focus.on(Set.of(declaring.path()), Set.of(method.name())));
        Map<Path, List<Range>> around = new HashMap<>();
        declared.declaration(method.key()).ifPresent(binding -> declared.code(declaring.path()).ifPresent(code ->
                code.members().stream().filter(member -> member.encloses(binding.range()))
                        .forEach(member -> around.put(declaring.path(), List.of(member)))));
        return new Focus(files, Set.of(method.name()), Set.of(), around, true);
    }

    private Plan plan(Analysis before, Callee callee, List<Binding> uses, boolean goes, Optional<Opening> opening) {
        EditsByFile edits = new EditsByFile(before);
        Map<Object, Set<String>> taken = new HashMap<>();
        for (Binding use : uses) {
            AttributedFile code = before.code(use.file()).orElseThrow();
            Optional<TreePath> call = code.call(use);
            if (call.isEmpty()) {
                return Plan.refused(Reason.at(use.file(), use.range(),
                        "this is not a call of the method, and cannot give way"));
            }
            CallSite site = CallSite.of(before, code, call.get(), callee);
            Optional<Reason> objection = new CallObjections(before, site, opening).first();
            if (objection.isPresent()) {
                return Plan.refused(objection.get());
            }
            Set<String> names = taken.computeIfAbsent(site.wholeMember()
                    .getLeaf(), member -> namesIn(code, site.wholeMember()));
            Optional<List<Edit>> written = new CallEdits(before, site, edits.writer(code), names).all();
            if (written.isEmpty()) {
                return Plan.refused(Reason.at(use.file(), use.range(),
                        "a type matters here that has no name which could be written"));
            }
            List<Edit> own = written.get();
            List<Edit> all = edits.of(use.file());
            boolean isTwice = own.stream().anyMatch(edit -> all.stream().anyMatch(known ->
                    known.range().overlaps(edit.range()) || known.range().equals(edit.range())));
            if (isTwice) {
                return Plan.refused(Reason.at(use.file(), use.range(),
                        "two calls stand in one statement; inline them one after the other"));
            }
            all.addAll(own);
        }
        opening.ifPresent(opened -> opened.write(edits));
        List<String> notes = new ArrayList<>(opening.map(Opening::notes).orElse(List.of()));
        if (goes) {
            edits.remove(callee.code(), callee.tree());
            CallEdits.lostComments(callee, edits.all())
                    .forEach(comment -> notes.add("the comment '" + comment + "' goes with the method"));
        }
        SymbolEffects meaning = SymbolEffects.same().opening(opening.map(Opening::opened).orElse(Set.of()));
        return new Plan.Ready(edits.change("inline the method " + method.signature(), meaning, notes), before);
    }

    private static Set<String> namesIn(AttributedFile code, TreePath member) {
        Tokens tokens = code.tokens();
        Range range = code.range(member.getLeaf());
        Set<String> names = new HashSet<>();
        for (int i = tokens.at(range.start()); i < tokens.count() && tokens.start(i) < range.end(); i++) {
            // a variable is never mistaken for a method
            int behind = tokens.code(i + 1);
            if (tokens.kind(i) == TokenKind.IDENTIFIER && !(behind < tokens.count() && tokens.is(behind, '('))) {
                names.add(tokens.name(i));
            }
        }
        return names;
    }
}
