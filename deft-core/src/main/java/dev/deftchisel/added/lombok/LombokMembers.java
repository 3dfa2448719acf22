package dev.deftchisel.added.lombok;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreeScanner;
import dev.deftchisel.added.Added;
import dev.deftchisel.added.AddedMembers;
import dev.deftchisel.added.AnnotatedType;
import dev.deftchisel.source.outline.Insertion;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.Modifier;

/**
 * What Lombok adds: accessors, constructors, builders, copies, equality, text form, loggers, and modifiers of fields.
 */
public final class LombokMembers implements AddedMembers {

    private static final Set<Modifier> ACCESS = Set.of(Modifier.PUBLIC, Modifier.PROTECTED, Modifier.PRIVATE);

    @Override
    public boolean standsFor(Library processor) {
        return processor.origin().startsWith("org.projectlombok:") || processor.file().getFileName().toString()
                .startsWith("lombok-");
    }

    @Override
    public boolean concerns(SourceFile file) {
        return file.content().contains("lombok");
    }

    private static ConfiguredType reading(AnnotatedType type) {
        return new ConfiguredType(type, Config.of(type.file().path().getParent(), type.file().module().folder()));
    }

    @Override
    public List<Added> members(AnnotatedType type) {
        if (type.tree().getKind() == Tree.Kind.INTERFACE || type.tree().getKind() == Tree.Kind.ANNOTATION_TYPE) {
            return List.of();
        }
        ConfiguredType reading = reading(type);
        List<Added> all = new ArrayList<>(new FieldMembers(reading).all());
        all.addAll(new ConstructorMembers(reading).all());
        all.addAll(BuilderMembers.of(reading));
        all.addAll(SuperBuilderMembers.of(reading));
        all.addAll(new ObjectMembers(reading).all());
        outer(type).ifPresent(outer -> all.addAll(BuilderMembers.completing(reading(outer), reading)));
        return all;
    }

    /** The type around a nested one. */
    private static Optional<AnnotatedType> outer(AnnotatedType type) {
        ClassTree[] found = new ClassTree[1];
        new TreeScanner<Void, Void>() {
            @Override
            public Void visitClass(ClassTree tree, Void unused) {
                if (tree.getMembers().contains(type.tree())) {
                    found[0] = tree;
                }
                return super.visitClass(tree, null);
            }
        }.scan(type.unit(), null);
        return Optional.ofNullable(found[0])
                .map(tree -> new AnnotatedType(type.file(), type.unit(), tree, type.positions(),
                type.nestedName().substring(0, type.nestedName().lastIndexOf('.'))));
    }

    @Override
    public List<Insertion> modifiers(AnnotatedType type) {
        ConfiguredType reading = reading(type);
        List<Insertion> insertions = new ArrayList<>();
        if (reading.has("UtilityClass")) {
            Stream.concat(type.instanceFields().stream().map(VariableTree.class::cast), type.methods().stream())
                    .forEach(member -> insert(insertions, type, member, modifiers(member), Modifier.STATIC));
        }
        Optional<String> level = reading.annotation("FieldDefaults").flatMap(one -> AnnotatedType.value(one, "level"))
                .map(Object::toString);
        boolean isPrivate = reading.has("Value") || level.filter(said -> said.endsWith("PRIVATE")).isPresent();
        if (!reading.isRecord()) {
            for (VariableTree field : type.instanceFields()) {
                boolean isOpen = reading.annotation(field.getModifiers(), "PackagePrivate").isPresent();
                if (isPrivate && !isOpen && field.getModifiers().getFlags().stream().noneMatch(ACCESS::contains)) {
                    insert(insertions, type, field, field.getModifiers(), Modifier.PRIVATE);
                }
                if (reading.isFinal(field)) {
                    insert(insertions, type, field, field.getModifiers(), Modifier.FINAL);
                }
            }
        }
        insertions.addAll(LazyFields.in(reading));
        insertions.addAll(InferredVariables.in(type));
        return insertions;
    }

    private static ModifiersTree modifiers(Tree member) {
        return member instanceof VariableTree field ? field.getModifiers() : ((MethodTree) member).getModifiers();
    }

    private static void insert(List<Insertion> insertions, AnnotatedType type, Tree member, ModifiersTree modifiers,
            Modifier modifier) {
        int start = (int) type.positions().getStartPosition(type.unit(), member);
        if (!modifiers.getFlags().contains(modifier) && start >= 0) {
            insertions.add(new Insertion(start, modifier + " ", false));
        }
    }

    @Override
    public boolean mayThrowAnything(AnnotatedType type, MethodTree method) {
        return type.annotation(method.getModifiers(), "lombok.SneakyThrows").isPresent();
    }
}
