package dev.deftchisel.declare;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.inference.UseTypes;
import dev.deftchisel.declare.signature.DeclarationRequest;
import dev.deftchisel.member.MemberInserter;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.AccessQuestion;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Declares what a name must mean where it is used. An operation says which names it is for and what the declaration
 * looks like.
 */
abstract class DeclareOperation implements Operation {

    static final Question VISIBILITY_QUESTION = AccessQuestion.asNeeded("as few as the use allows",
            List.of(AccessLevel.values()));

    /** What the declaration is, or why there can be none. */
    sealed interface PlannedDeclaration {

        /**
         * Members of the type that must have it.
         *
         * @param others what other types must have then
         */
        record Members(String title, List<NewMember> members, List<Elsewhere> others) implements PlannedDeclaration {

            Members(String title, List<NewMember> members) {
                this(title, members, List.of());
            }
        }

        /** A variable of the body, declared before a statement. */
        record Local(String title, int offset, String text) implements PlannedDeclaration {
        }

        /** It cannot be made. */
        record Impossible(String sentence) implements PlannedDeclaration {
        }
    }

    /** A member of another type. */
    record Elsewhere(TargetClass target, NewMember member) {
    }

    /** Whether it is for a name. */
    abstract boolean isFor(UnresolvedName missing);

    /** For instance {@code declare the method dues}. */
    abstract String title(UnresolvedName missing);

    /** The declaration. */
    abstract PlannedDeclaration declared(DeclarationRequest asked);

    @Override
    public final Optional<Offer> offer(ResolvedPlace resolved) {
        return UnresolvedName.at(resolved.analysis(), resolved)
                .filter(this::isFor)
                .map(missing -> new Offer(id(), title(missing), Offer.Kind.GENERATE, missing.range(), questions()));
    }

    @Override
    public final Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Path file = resolved.file().path();
        Analysis near = analyst.analyse(Focus.around(file, resolved.place().selection()).deeply());
        Optional<UnresolvedName> found = UnresolvedName.at(near, resolved);
        if (found.isEmpty() || !isFor(found.get())) {
            return Plan.refused(resolved, "there is nothing here that " + id() + " could declare");
        }
        Optional<TypeElement> owner = found.get().owner();
        if (owner.isEmpty()) {
            return Plan.refused(resolved, "it is not known which type must declare " + found.get().name()
                    + "; declare what stands before it first");
        }
        SymbolKey key = found.get().code().key(owner.get());
        Optional<SourceFile> home = analyst.declaring(key);
        if (home.isEmpty()) {
            return Plan.refused(resolved, owner.get().getSimpleName()
                    + " is not declared in the workspace, and cannot get a member "
                    + found.get().name());
        }
        return plan(resolved, answers, analyst, key, home.get().path(), found.get());
    }

    private Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst, SymbolKey owner, Path home,
            UnresolvedName found) {
        Path file = resolved.file().path();
        String name = found.name();
        Set<Path> files = new HashSet<>(List.of(file, home));
        files.addAll(analyst.snapshot().pathsMentioning(Set.of(name)));
        if (mayLackBody(found)) {
            Implementers.files(found.owner().orElseThrow(), analyst.snapshot())
                    .forEach(other -> files.add(other.path()));
        }
        Analysis before = analyst.analyse(new Focus(files, Set.of(name), Set.of(),
                Map.of(file, List.of(resolved.place().selection())), true));
        UnresolvedName missing = UnresolvedName.at(before, resolved).orElseThrow();
        AttributedFile code = before.code(home).orElseThrow();
        List<UnresolvedName> uses = new ArrayList<>(List.of(missing));
        uses.addAll(missing.others(before));
        Optional<TargetClass> target = missing.isOwn() ? around(uses)
                : before.declaration(owner).flatMap(declared -> TargetClass.at(code, declared.range().start()));
        if (target.isEmpty()) {
            return Plan.refused(resolved, "the declaration of the type that must have " + name + " was not found");
        }
        boolean isStatic = missing.isOfType() || missing.isOwn() && uses.stream()
                .anyMatch(use -> use.isOfType() || use.isOwn() && use.isStaticIn(target.get().type(), before));
        EditsByFile edits = new EditsByFile(before);
        UseTypes types = UseTypes.of(edits.writer(missing.code()), edits.writer(code), missing.code(),
                Optional.of(target.get().type()).filter(type -> !isStatic));
        PlannedDeclaration declared = declared(new DeclarationRequest(uses, target.get(), isStatic, answers, types,
                before, edits));
        String title;
        if (declared instanceof PlannedDeclaration.Members added) {
            edits.of(home).addAll(new MemberInserter(target.get()).edits(added.members()));
            added.others().forEach(other -> edits.of(other.target().code().file().path())
                    .addAll(new MemberInserter(other.target()).edits(List.of(other.member()))));
            title = added.title();
        } else if (declared instanceof PlannedDeclaration.Local local) {
            edits.of(file).add(new NewCode(missing.code().file()).write(local.text()).at(local.offset()));
            title = local.title();
        } else {
            return Plan.refused(Reason.at(file, missing.range(), ((PlannedDeclaration.Impossible) declared)
                    .sentence()));
        }
        return new Plan.Ready(edits.change(title, SymbolEffects.same(), List.of()), before);
    }

    /** Whether what is declared may have no body, so that classes below must have one. */
    private static boolean mayLackBody(UnresolvedName missing) {
        return !missing.isConstructor() && missing.call().isPresent()
                && missing.owner().filter(type -> type.getKind().isInterface() || type.getModifiers()
                        .contains(Modifier.ABSTRACT))
                .isPresent();
    }

    /**
     * The class around the first use that others name, or the innermost around all uses, each of which may name a
     * member of it.
     */
    private static Optional<TargetClass> around(List<UnresolvedName> uses) {
        UnresolvedName first = uses.get(0);
        Optional<TypeElement> named = uses.stream().filter(use -> !use.isOwn()).flatMap(use -> use.owner().stream())
                .findFirst();
        Optional<Range> outermost = first.outermost();
        return first.classAround(at -> (named.isEmpty() || first.code().element(at).filter(named.get()::equals)
                .isPresent())
                && uses.stream().filter(use -> use.isOwn() && use.isWithin(first, outermost))
                        .allMatch(use -> first.code().range(at.getLeaf()).encloses(use.range())));
    }

    /** The modifier with a blank after it, as far as the uses need it or as was answered. */
    static String visibility(DeclarationRequest asked) {
        return asked.owner().type().getKind().isInterface() ? "" : access(asked).prefix();
    }

    /** How open it is, as far as the uses need it or as was answered. */
    static AccessLevel access(DeclarationRequest asked) {
        return AccessQuestion.said(asked.answers())
                .orElseGet(() -> asked.uses().stream().map(use -> needed(asked.owner(), use))
                .max(Comparator.naturalOrder()).orElseThrow());
    }

    private static AccessLevel needed(TargetClass owner, UnresolvedName use) {
        Element place = use.code().enclosingType(use.path()).map(type -> (Element) type).orElse(owner.type());
        AccessLevel level = AccessLevel.between(owner.type(), place);
        boolean isInherited = use.isOwn() && !(use.code().file() == owner.code().file()
                && owner.code().range(owner.tree()).encloses(use.range()));
        // what is private is not inherited (JLS 8.2)
        if (!isInherited) {
            return level;
        }
        if (level == AccessLevel.PRIVATE) {
            return AccessLevel.PACKAGE;
        }
        return level == AccessLevel.PUBLIC ? AccessLevel.PROTECTED : level;
    }
}
