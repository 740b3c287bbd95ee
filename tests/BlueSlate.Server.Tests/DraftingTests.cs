using System.Diagnostics;
using System.Net;
using BlueSlate.Core.Drawings;
using BlueSlate.Drafting.Worker;
using BlueSlate.Server.Features.Drafting;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging.Abstractions;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Laying out and painting beside the server: within limits, in turn, and never longer than somebody waits.</summary>
public sealed class DraftingTests(TestServer server) : IClassFixture<TestServer>
{
    [Fact]
    public async Task A_chain_with_long_lines_is_set_out_simply_and_ends_nothing()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var reply = await instructor.PostAsync(
            $"/api/parts/{exercise.Part}/tidy",
            new { drawing = DrawingWriter.WriteText(Hostile.Chain(500, 501)), only = Array.Empty<string>() }
        );
        ((bool)reply["simpler"]!).ShouldBeTrue();
        reply["places"]!.AsArray().Count.ShouldBe(500);
        (await instructor.SendAsync(HttpMethod.Get, "/health/ready")).StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Theory]
    [InlineData(60, 100)]
    [InlineData(200, 400)]
    public async Task Whatever_is_drawn_gets_places_and_a_picture(int shapes, int lines)
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var text = DrawingWriter.WriteText(Hostile.Chain(shapes, lines));
        (await instructor.PostAsync($"/api/parts/{exercise.Part}/tidy", new { drawing = text, only = Array.Empty<string>() }))[
            "places"
        ]!
            .AsArray()
            .Count.ShouldBe(shapes);
        var picture = await instructor.SendAsync(
            HttpMethod.Post,
            $"/api/parts/{exercise.Part}/picture",
            new
            {
                drawing = text,
                format = "png",
                only = Array.Empty<string>(),
                scale = 1,
            }
        );
        picture.StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_picture_of_texts_that_xml_forbids_is_made_all_the_same()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var text = DrawingWriter.WriteText(new Sketch().Box("Visit\uFFFF", "PK no\uFFFE").ToDrawing());
        var picture = await instructor.SendAsync(
            HttpMethod.Post,
            $"/api/parts/{exercise.Part}/picture",
            new
            {
                drawing = text,
                format = "svg",
                only = Array.Empty<string>(),
                scale = 1,
            }
        );
        picture.StatusCode.ShouldBe(HttpStatusCode.OK, await picture.Content.ReadAsStringAsync());
        System.Xml.Linq.XDocument.Parse(await picture.Content.ReadAsStringAsync()).Root!.Name.LocalName.ShouldBe("svg");
    }

    [Fact]
    public async Task A_process_beyond_its_memory_or_its_time_is_ended_and_the_simple_layout_is_given()
    {
        foreach (
            var limits in new[]
            {
                new DraftingLimits { Memory = 30 << 20 },
                new DraftingLimits { Time = TimeSpan.FromMilliseconds(1) },
            }
        )
        {
            using var process = DraftingProcess.Start(limits);
            await Should.ThrowAsync<DraftingEndedException>(() =>
                process.AskAsync(
                    new DraftRequest(DraftKind.Tidy, DrawingWriter.WriteText(Hostile.Chain(60, 90))),
                    TestContext.Current.CancellationToken
                )
            );
            process.IsAlive.ShouldBeFalse();
        }
    }

    [Fact]
    public async Task What_nobody_waits_for_any_more_is_ended_and_the_next_is_served()
    {
        using var pool = new DraftingPool(new DraftingLimits(), TimeProvider.System, NullLogger<DraftingPool>.Instance);
        using var gone = new CancellationTokenSource();
        var person = Guid.NewGuid();
        var abandoned = pool.DoAsync(
            person,
            new DraftRequest(DraftKind.Tidy, DrawingWriter.WriteText(Hostile.Chain(200, 300))),
            gone.Token
        );
        await gone.CancelAsync();
        await Should.ThrowAsync<OperationCanceledException>(() => abandoned);
        (
            await pool.DoAsync(
                person,
                new DraftRequest(DraftKind.Tidy, DrawingWriter.WriteText(Hostile.Chain(3, 2))),
                TestContext.Current.CancellationToken
            )
        ).Reply!.Places.Length.ShouldBe(3);
    }

    [Fact]
    public async Task A_drafting_process_ends_with_its_server()
    {
        var process = DraftingProcess.Start(new DraftingLimits());
        (
            await process.AskAsync(
                new DraftRequest(DraftKind.Tidy, DrawingWriter.WriteText(Hostile.Chain(2, 1))),
                TestContext.Current.CancellationToken
            )
        ).Places.Length.ShouldBe(2);
        process.Dispose();
        process.IsAlive.ShouldBeFalse();
    }

    [Fact]
    public void One_at_a_time_a_person_and_otherwise_in_turn()
    {
        var queue = new DraftingQueue(
            new DraftingLimits
            {
                Processes = 1,
                EachPerson = 2,
                Waiting = 3,
            }
        );
        var (ada, ben, cy) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        var first = queue.Enter(ada)!;
        var second = queue.Enter(ada)!;
        var third = queue.Enter(ben)!;
        queue.Enter(ada).ShouldBeNull("two of hers are there already");
        (queue.PlaceOf(ada), queue.PlaceOf(ben), queue.PlaceOf(cy)).ShouldBe((0, 1, null));
        first.ComesAsync(default).IsCompleted.ShouldBeTrue();
        third.Dispose();
        var fourth = queue.Enter(cy)!;
        queue.PlaceOf(cy).ShouldBe(1);
        first.Dispose();
        second.ComesAsync(default).IsCompleted.ShouldBeTrue();
        fourth.ComesAsync(default).IsCompleted.ShouldBeFalse();
        second.Dispose();
        fourth.ComesAsync(default).IsCompleted.ShouldBeTrue();
    }

    [Fact]
    public void With_two_processes_the_same_person_still_has_one()
    {
        var queue = new DraftingQueue(new DraftingLimits { Processes = 2, EachPerson = 3 });
        var (ada, ben) = (Guid.NewGuid(), Guid.NewGuid());
        queue.Enter(ada);
        var second = queue.Enter(ada)!;
        var other = queue.Enter(ben)!;
        second.ComesAsync(default).IsCompleted.ShouldBeFalse();
        other.ComesAsync(default).IsCompleted.ShouldBeTrue();
    }

    [Fact]
    public void Work_is_counted_and_comes_back_with_time()
    {
        var clock = new SteppedTime();
        var budget = new WorkBudget(TimeSpan.FromSeconds(10), 0.5, clock);
        var (ada, ben) = (Guid.NewGuid(), Guid.NewGuid());
        budget.Spend(ada, TimeSpan.FromSeconds(8));
        budget.WaitOf(ada).ShouldBe(TimeSpan.Zero);
        budget.Spend(ada, TimeSpan.FromSeconds(6));
        budget.WaitOf(ada).ShouldBe(TimeSpan.FromSeconds(8));
        budget.WaitOf(ben).ShouldBe(TimeSpan.Zero);
        clock.Step(TimeSpan.FromSeconds(9));
        budget.WaitOf(ada).ShouldBe(TimeSpan.Zero);
    }

    [Fact]
    public async Task Who_gives_the_server_too_much_work_is_told_how_long_to_wait()
    {
        var limits = server.App.Services.GetRequiredService<DraftingLimits>();
        using var pool = new DraftingPool(
            limits with
            {
                Burst = TimeSpan.FromMilliseconds(1),
                Share = 0.0001,
            },
            TimeProvider.System,
            NullLogger<DraftingPool>.Instance
        );
        var person = Guid.NewGuid();
        var request = new DraftRequest(DraftKind.Tidy, DrawingWriter.WriteText(Hostile.Chain(4, 3)));
        (await pool.DoAsync(person, request, TestContext.Current.CancellationToken)).Reply.ShouldNotBeNull();
        (await pool.DoAsync(person, request, TestContext.Current.CancellationToken)).Refusal.ShouldNotBeNull();
        (await pool.DoAsync(Guid.NewGuid(), request, TestContext.Current.CancellationToken)).Reply.ShouldNotBeNull(
            "others are not kept from it"
        );
    }

    private sealed class SteppedTime : TimeProvider
    {
        private long now;

        public override long TimestampFrequency => Stopwatch.Frequency;

        public override long GetTimestamp() => now;

        public void Step(TimeSpan by) => now += (long)(by.TotalSeconds * TimestampFrequency);
    }
}
