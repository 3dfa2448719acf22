package dev.deftchisel.signature;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.NeededType;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * Gives a parameter the most general type that its uses need (the refactoring "use supertype where possible" of the
 * literature): whoever calls the method may then pass more.
 */
public final class UseSupertypeOperation implements Operation {

    /** The key of the type, when it is to be another than the most general one. */
    public static final String TYPE = "type";

    @Override
    public String id() {
        return "use-supertype";
    }

    @Override
    public String summary() {
        return "Give a parameter the most general type that its uses need";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Text(TYPE, "the type, if not the most general one", ""));
    }

    /** A parameter of a method at a place, and the types that would do for it, the most general one first. */
    private record Found(DeclaredHeader header, int index, List<TypeElement> types) {
    }

    private static Optional<Found> found(ResolvedPlace resolved) {
        Optional<AttributedFile> code = resolved.analysis().code(resolved.file().path());
        Optional<TreePath> parameter = resolved.bindings().stream().findFirst()
                .flatMap(binding -> resolved.analysis().declaration(binding.key()))
                .filter(declared -> declared.file().equals(resolved.file().path()))
                .flatMap(declared -> code.flatMap(file -> file.declaration(declared.range())))
                .filter(path -> path.getLeaf() instanceof VariableTree
                        && path.getParentPath().getLeaf() instanceof MethodTree);
        return parameter.flatMap(path -> code.flatMap(file -> found(resolved, file, path)));
    }

    private static Optional<Found> found(ResolvedPlace resolved, AttributedFile code, TreePath path) {
        MethodTree method = (MethodTree) path.getParentPath().getLeaf();
        int index = method.getParameters().indexOf(path.getLeaf());
        Optional<DeclaredHeader> header = code.element(path.getParentPath())
                .flatMap(element -> DeclaredHeader.of(resolved.analysis(), code.key(element)))
                .filter(one -> !one.isOfRecord());
        boolean isClass = header.isPresent() && index >= 0
                && header.get().element().getParameters().get(index).asType() instanceof DeclaredType;
        if (!isClass) {
            return Optional.empty();
        }
        DeclaredType type = (DeclaredType) header.get().element().getParameters().get(index).asType();
        List<TypeElement> above = new ArrayList<>(Supertypes.of((TypeElement) type.asElement(), code.types()));
        NeededType needed = new NeededType(resolved.analysis(), code, code.element(path).orElseThrow());
        List<TypeElement> fitting = above.stream().filter(candidate -> needed.isUsed() && needed.isEnough(candidate))
                .collect(Collectors.toList());
        List<TypeElement> all = List.copyOf(fitting);
        fitting.sort(Comparator.comparing((TypeElement one) -> all.stream().filter(other -> isBelow(code, one, other))
                .count()).thenComparing(one -> one.getKind() == ElementKind.CLASS));
        return fitting.isEmpty() ? Optional.empty() : Optional.of(new Found(header.get(), index, fitting));
    }

    private static boolean isBelow(AttributedFile code, TypeElement one, TypeElement other) {
        return !one.equals(other) && code.isKind(code.types().erasure(one.asType()), code.types().erasure(other
                .asType()));
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return found(resolved).map(found -> new Offer(id(), "take any '" + found.types().get(0).getSimpleName()
                + "' for '" + name(found) + "'", Offer.Kind.REFACTORING, found.header().place(found.header().header()
                .parameters().get(found.index()).name()), questions()));
    }

    private static String name(Found found) {
        TypedHeader header = found.header().header();
        return header.at(header.parameters().get(found.index()).name());
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Optional<Found> found = found(resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no parameter here whose uses need less than its type");
        }
        String wanted = answers.single(TYPE).orElse("");
        Optional<TypeElement> type = wanted.isEmpty() ? Optional.of(found.get().types().get(0))
                : found.get().types().stream().filter(one -> one.getSimpleName().contentEquals(wanted)
                        || one.getQualifiedName().contentEquals(wanted)).findFirst();
        if (type.isEmpty()) {
            return Plan.refused(resolved, "'" + wanted + "' would not do here; these would: " + found.get().types()
                    .stream().map(one -> NamedTypes.shown(one.asType())).collect(Collectors.joining(", ")));
        }
        DeclaredHeader header = found.get().header();
        TypeMirror now = header.element().getParameters().get(found.get().index()).asType();
        // by simple names, which are imported where that is needed
        String text = Supertypes.as(now, type.get(), header.code().types()).map(NamedTypes::shown)
                .orElse(type.get().getSimpleName().toString()).replaceAll("\\b(?:\\p{Ll}\\w*\\.)+(?=\\p{Lu})", "");
        Place name = new Place(resolved.file().path(), new Range(header.name().start(), header.name().start()));
        ResolvedPlace method = new ResolvedPlace(name, resolved.file(), resolved.analysis());
        return new ChangeSignatureOperation().plan(method, Answers.of(ChangeSignatureOperation.TO,
                retyped(header.header(), found.get().index(), text)), analyst);
    }

    private static String retyped(TypedHeader header, int index, String type) {
        List<String> parameters = new ArrayList<>();
        for (int i = 0; i < header.parameters().size(); i++) {
            TypedHeader.TypedParameter one = header.parameters().get(i);
            parameters.add(i == index ? type + " " + header.at(one.name())
                    : header.at(new Range(one.modifiers().start(), one.name().end())));
        }
        return header.at(header.name()) + "(" + String.join(", ", parameters) + ")";
    }
}
