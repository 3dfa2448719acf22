package dev.deftchisel.generate.method;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.member.InheritedMethods;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;

/**
 * Has a method inherit its documentation from the one that it overrides, instead of a copy (the standard doclet's
 * {@code inheritDoc}).
 */
public final class InheritDocumentationOperation implements Operation {

    /** The key of the choice how that is said: by a {@code tag}, or by {@code none} at all. */
    public static final String FORM = "form";

    private static final String NONE = "none";
    private static final Question FORM_QUESTION = new Question.Choice(FORM, "how the documentation is inherited",
            List.of(new Question.Option("tag", "by {@inheritDoc}, to which more can be added"),
                    new Question.Option(NONE, "by no comment at all")),
            "tag");

    @Override
    public String id() {
        return "inherit-documentation";
    }

    @Override
    public String summary() {
        return "Inherit the documentation of a method instead of copying it";
    }

    @Override
    public List<Question> questions() {
        return List.of(FORM_QUESTION);
    }

    /**
     * A method that has another above it.
     *
     * @param range  of its declaration
     * @param above  what it overrides
     */
    private record Overriding(AttributedFile code, Range range, ExecutableElement above) {

        /** Its declaration with the documentation that it has. */
        Range documented() {
            return Layout.withDocumentation(code.file(), range);
        }
    }

    private static Optional<Overriding> overriding(Analysis analysis, ResolvedPlace resolved) {
        Optional<AttributedFile> found = analysis.code(resolved.file().path());
        int caret = resolved.place().caret();
        return found.flatMap(code -> TargetClass.at(code, caret).flatMap(target -> target.members().stream()
                .filter(member -> member instanceof MethodTree method && isHead(code, method, caret))
                .findFirst()
                .flatMap(member -> code.element(new TreePath(target.path(), member))
                        .flatMap(method -> InheritedMethods.overridden(target, (ExecutableElement) method))
                        .map(above -> new Overriding(code, code.range(member), above)))));
    }

    /** Whether an offset is before the body of a method, its documentation included. */
    private static boolean isHead(AttributedFile code, MethodTree method, int offset) {
        Range whole = Layout.withDocumentation(code.file(), code.range(method));
        int end = method.getBody() == null ? whole.end() : code.range(method.getBody()).start();
        return whole.start() <= offset && offset <= end;
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return overriding(resolved.analysis(), resolved)
                .map(method -> new Offer(id(), "inherit the documentation of " + name(method),
                Offer.Kind.GENERATE, method.range(), questions()));
    }

    private static String name(Overriding method) {
        return method.above().getEnclosingElement().getSimpleName() + "." + method.above().getSimpleName();
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Analysis before = analyst.analyse(Focus.around(resolved.file().path(), resolved.place().selection()).deeply());
        Optional<Overriding> found = overriding(before, resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no method here that overrides another one");
        }
        Overriding method = found.get();
        String newLine = Layout.of(method.code().file())
                .lineEnd() + Layout.indentOf(method.code().file(), method.range().start());
        boolean isLeftOut = answers.single(FORM).filter(NONE::equals).isPresent();
        String wanted = isLeftOut ? "" : "/** {@inheritDoc} */" + newLine;
        Range old = new Range(method.documented().start(), method.range().start());
        if (method.code().text(old).equals(wanted)) {
            return Plan.refused(resolved, "the method inherits its documentation already");
        }
        EditsByFile edits = new EditsByFile(before);
        edits.of(resolved.file().path()).add(new NewCode(method.code().file()).write(wanted).replacing(old));
        return new Plan.Ready(edits.change("inherit the documentation of " + name(method), SymbolEffects.same(),
                List.of()), before);
    }
}
