CREATE TABLE "Applications" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Applications" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "BatchId" TEXT NULL,
    "At" INTEGER NOT NULL,
    "MemberId" TEXT NULL,
    "Material" TEXT NOT NULL,
    "PerLitre" REAL NULL,
    "Litres" REAL NOT NULL,
    "Target" TEXT NULL,
    "PatchTest" INTEGER NOT NULL,
    "Note" TEXT NULL,
    "TemperatureC" REAL NULL,
    "RelativeHumidityPercent" REAL NULL,
    "WindMetresPerSecond" REAL NULL, "ExpectedLitres" REAL NULL, "Parts" TEXT NULL, "StruckAt" INTEGER NULL, "Why" TEXT NOT NULL DEFAULT 'OwnIdea', "AlsoMaterial" TEXT NULL, "AlsoTarget" TEXT NULL,
    CONSTRAINT "FK_Applications_Batches_BatchId" FOREIGN KEY ("BatchId") REFERENCES "Batches" ("Id") ON DELETE RESTRICT,
    CONSTRAINT "FK_Applications_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "BatchIngredientRow" (
    "BatchId" TEXT NOT NULL,
    "Material" TEXT NOT NULL,
    "Role" TEXT NOT NULL,
    "Amount" REAL NOT NULL,
    "Unit" TEXT NOT NULL, "BottlePercent" REAL NULL,
    CONSTRAINT "PK_BatchIngredientRow" PRIMARY KEY ("BatchId", "Material"),
    CONSTRAINT "FK_BatchIngredientRow_Batches_BatchId" FOREIGN KEY ("BatchId") REFERENCES "Batches" ("Id") ON DELETE CASCADE
);
CREATE TABLE "BatchPlantingRow" (
    "BatchId" TEXT NOT NULL,
    "PlantingId" TEXT NOT NULL,
    CONSTRAINT "PK_BatchPlantingRow" PRIMARY KEY ("BatchId", "PlantingId"),
    CONSTRAINT "FK_BatchPlantingRow_Batches_BatchId" FOREIGN KEY ("BatchId") REFERENCES "Batches" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_BatchPlantingRow_Plantings_PlantingId" FOREIGN KEY ("PlantingId") REFERENCES "Plantings" ("Id") ON DELETE RESTRICT
);
CREATE TABLE "Batches" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Batches" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "MadeAt" INTEGER NOT NULL,
    "MemberId" TEXT NULL,
    "Recipe" TEXT NOT NULL,
    "Step" TEXT NOT NULL,
    "Litres" REAL NOT NULL,
    "UseBy" INTEGER NOT NULL,
    "Target" TEXT NULL, "EmptiedAt" INTEGER NULL, "PatchTest" INTEGER NOT NULL DEFAULT 0, "SprayerId" TEXT NULL, "AlsoMaterial" TEXT NULL, "AlsoTarget" TEXT NULL, "ReadyAt" INTEGER NULL,
    CONSTRAINT "FK_Batches_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "CheckBacks" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_CheckBacks" PRIMARY KEY,
    "Alive" INTEGER NULL,
    "ApplicationId" TEXT NULL,
    "BeforeId" TEXT NULL,
    "Dead" INTEGER NULL,
    "DiscountedFor" TEXT NULL,
    "DoneAt" INTEGER NULL,
    "DueOn" TEXT NOT NULL,
    "GardenId" TEXT NOT NULL,
    "Injury" TEXT NOT NULL,
    "InjurySigns" TEXT NULL,
    "MemberId" TEXT NULL,
    "ObservationId" TEXT NULL,
    "Outcome" TEXT NULL,
    "PlantingId" TEXT NOT NULL,
    "TaskId" TEXT NULL, "OnlyDead" INTEGER NULL, "AlsoTarget" TEXT NULL,
    CONSTRAINT "FK_CheckBacks_Applications_ApplicationId" FOREIGN KEY ("ApplicationId") REFERENCES "Applications" ("Id") ON DELETE RESTRICT,
    CONSTRAINT "FK_CheckBacks_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_CheckBacks_Observations_BeforeId" FOREIGN KEY ("BeforeId") REFERENCES "Observations" ("Id") ON DELETE SET NULL,
    CONSTRAINT "FK_CheckBacks_Observations_ObservationId" FOREIGN KEY ("ObservationId") REFERENCES "Observations" ("Id") ON DELETE RESTRICT,
    CONSTRAINT "FK_CheckBacks_Plantings_PlantingId" FOREIGN KEY ("PlantingId") REFERENCES "Plantings" ("Id") ON DELETE RESTRICT,
    CONSTRAINT "FK_CheckBacks_Tasks_TaskId" FOREIGN KEY ("TaskId") REFERENCES "Tasks" ("Id") ON DELETE RESTRICT
);
CREATE TABLE "Corrections" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Corrections" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "ApplicationId" TEXT NOT NULL,
    "At" INTEGER NOT NULL,
    "MemberId" TEXT NULL,
    "Field" TEXT NOT NULL,
    "Was" TEXT NULL,
    "Became" TEXT NULL,
    CONSTRAINT "FK_Corrections_Applications_ApplicationId" FOREIGN KEY ("ApplicationId") REFERENCES "Applications" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_Corrections_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Courses" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Courses" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "PlantingId" TEXT NOT NULL,
    "Target" TEXT NOT NULL,
    "Recipe" TEXT NOT NULL,
    "OpenedAt" INTEGER NOT NULL,
    "Step" TEXT NOT NULL,
    "SpacingDays" INTEGER NOT NULL,
    "Rounds" INTEGER NOT NULL,
    "DegreeDaysPerDay" REAL NULL,
    "OwnDays" TEXT NULL,
    "StoppedAt" INTEGER NULL,
    "MemberId" TEXT NULL, "ThenRecipe" TEXT NULL, "ThenRounds" INTEGER NULL, "ThenSpacingDays" INTEGER NULL,
    CONSTRAINT "FK_Courses_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_Courses_Plantings_PlantingId" FOREIGN KEY ("PlantingId") REFERENCES "Plantings" ("Id") ON DELETE RESTRICT
);
CREATE TABLE "Deeds" (
    "Id" INTEGER NOT NULL CONSTRAINT "PK_Deeds" PRIMARY KEY AUTOINCREMENT,
    "GardenId" TEXT NOT NULL,
    "At" INTEGER NOT NULL,
    "MemberId" TEXT NULL,
    "Words" TEXT NOT NULL,
    "Changes" TEXT NOT NULL,
    "UndoneAt" INTEGER NULL
);
CREATE TABLE "Emulsions" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Emulsions" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "At" INTEGER NOT NULL,
    "Oil" TEXT NOT NULL,
    "Soap" TEXT NOT NULL,
    "Water" TEXT NOT NULL,
    "SoapMlPerLitre" REAL NOT NULL,
    "HeldSeconds" INTEGER NOT NULL,
    CONSTRAINT "FK_Emulsions_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "FeedEvents" (
    "GardenId" TEXT NOT NULL,
    "Key" TEXT NOT NULL,
    "From" INTEGER NOT NULL,
    "To" INTEGER NOT NULL,
    "Words" TEXT NOT NULL,
    "Sequence" INTEGER NOT NULL,
    "Cancelled" INTEGER NOT NULL,
    "ChangedAt" INTEGER NOT NULL,
    CONSTRAINT "PK_FeedEvents" PRIMARY KEY ("GardenId", "Key"),
    CONSTRAINT "FK_FeedEvents_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Gardens" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Gardens" PRIMARY KEY,
    "Name" TEXT NOT NULL,
    "Latitude" REAL NOT NULL,
    "Longitude" REAL NOT NULL,
    "ElevationM" REAL NOT NULL,
    "TimeZoneId" TEXT NOT NULL,
    "Climate" TEXT NOT NULL,
    "Kitchen" TEXT NOT NULL,
    "Stance" TEXT NOT NULL,
    "DiseaseApproach" TEXT NOT NULL,
    "OnlyLabelled" INTEGER NOT NULL,
    "CreatedAt" INTEGER NOT NULL
, "FreeHours" TEXT NULL, "StationKeyHash" TEXT NULL, "Water" TEXT NOT NULL DEFAULT 'Rain', "Hours" TEXT NOT NULL DEFAULT 'TwentyFour', "LengthUnit" TEXT NOT NULL DEFAULT 'Metres', "RainUnit" TEXT NOT NULL DEFAULT 'Millimetres', "TemperatureUnit" TEXT NOT NULL DEFAULT 'Celsius', "WeekStart" TEXT NOT NULL DEFAULT 'Monday', "WindUnit" TEXT NOT NULL DEFAULT 'MetresPerSecond', "Language" TEXT NULL, "Currency" TEXT NOT NULL DEFAULT '', "Days" TEXT NOT NULL DEFAULT 'DayFirst', "DropsInSpoon" INTEGER NOT NULL DEFAULT 100);
CREATE TABLE "Grants" (
    "PersonId" TEXT NOT NULL,
    "GardenId" TEXT NOT NULL,
    "MemberId" TEXT NOT NULL,
    "Until" INTEGER NULL,
    "Places" TEXT NULL,
    CONSTRAINT "PK_Grants" PRIMARY KEY ("PersonId", "GardenId"),
    CONSTRAINT "FK_Grants_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_Grants_Members_MemberId" FOREIGN KEY ("MemberId") REFERENCES "Members" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_Grants_People_PersonId" FOREIGN KEY ("PersonId") REFERENCES "People" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Harvests" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Harvests" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "PlantingId" TEXT NOT NULL,
    "At" INTEGER NOT NULL,
    "Grams" REAL NULL,
    "Pieces" INTEGER NULL,
    "Washed" INTEGER NULL,
    "MemberId" TEXT NULL,
    CONSTRAINT "FK_Harvests_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_Harvests_Plantings_PlantingId" FOREIGN KEY ("PlantingId") REFERENCES "Plantings" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Invites" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Invites" PRIMARY KEY,
    "KeyHash" TEXT NOT NULL,
    "GardenId" TEXT NULL,
    "MemberId" TEXT NULL,
    "GoodUntil" INTEGER NOT NULL,
    "UsedAt" INTEGER NULL,
    "GuestUntil" INTEGER NULL,
    "GuestPlaces" TEXT NULL,
    CONSTRAINT "FK_Invites_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_Invites_Members_MemberId" FOREIGN KEY ("MemberId") REFERENCES "Members" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Links" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Links" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Kind" TEXT NOT NULL,
    "Name" TEXT NOT NULL,
    "KeyHash" TEXT NOT NULL,
    "MadeAt" INTEGER NOT NULL,
    "EndedAt" INTEGER NULL,
    CONSTRAINT "FK_Links_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "MailServers" (
    "Id" INTEGER NOT NULL CONSTRAINT "PK_MailServers" PRIMARY KEY,
    "Host" TEXT NOT NULL,
    "Port" INTEGER NOT NULL,
    "Security" TEXT NOT NULL,
    "From" TEXT NOT NULL,
    "User" TEXT NULL,
    "Sealed" TEXT NULL
);
CREATE TABLE "Mails" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Mails" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Address" TEXT NOT NULL,
    "At" TEXT NOT NULL,
    "SentOn" TEXT NULL,
    "SentThen" INTEGER NOT NULL,
    "SentAt" INTEGER NULL,
    "Told" TEXT NULL,
    "Fault" TEXT NULL,
    "FailedAt" INTEGER NULL,
    CONSTRAINT "FK_Mails_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Members" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Members" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Name" TEXT NOT NULL,
    "Role" TEXT NOT NULL,
    CONSTRAINT "FK_Members_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Observations" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Observations" PRIMARY KEY,
    "Ants" TEXT NOT NULL,
    "At" INTEGER NOT NULL,
    "GardenId" TEXT NOT NULL,
    "Helpers" INTEGER NOT NULL,
    "LeavesAffected" INTEGER NOT NULL,
    "LeavesLooked" INTEGER NOT NULL,
    "LookId" TEXT NOT NULL,
    "MemberId" TEXT NULL,
    "Mummies" INTEGER NOT NULL,
    "NameIsGroup" INTEGER NOT NULL,
    "Named" TEXT NULL,
    "Note" TEXT NULL,
    "Part" TEXT NOT NULL,
    "PlantingId" TEXT NOT NULL,
    "Roots" TEXT NOT NULL,
    "SeverityPercent" REAL NULL,
    "Side" TEXT NOT NULL,
    "WalkId" TEXT NULL, "OwnName" TEXT NULL, "Plants" TEXT NULL, "On" TEXT NOT NULL DEFAULT 'Leaves',
    CONSTRAINT "FK_Observations_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_Observations_Plantings_PlantingId" FOREIGN KEY ("PlantingId") REFERENCES "Plantings" ("Id") ON DELETE RESTRICT,
    CONSTRAINT "FK_Observations_Walks_WalkId" FOREIGN KEY ("WalkId") REFERENCES "Walks" ("Id") ON DELETE SET NULL
);
CREATE TABLE "ObservedSignRow" (
    "ObservationId" TEXT NOT NULL,
    "Sign" TEXT NOT NULL,
    "Present" INTEGER NOT NULL,
    CONSTRAINT "PK_ObservedSignRow" PRIMARY KEY ("ObservationId", "Sign"),
    CONSTRAINT "FK_ObservedSignRow_Observations_ObservationId" FOREIGN KEY ("ObservationId") REFERENCES "Observations" ("Id") ON DELETE CASCADE
);
CREATE TABLE "OwnKinds" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_OwnKinds" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Of" TEXT NOT NULL,
    "Name" TEXT NOT NULL,
    "Like" TEXT NOT NULL,
    "Retired" INTEGER NOT NULL,
    CONSTRAINT "FK_OwnKinds_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "OwnRecipes" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_OwnRecipes" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Name" TEXT NOT NULL,
    "Text" TEXT NOT NULL,
    "HeardFrom" TEXT NULL,
    "Warning" INTEGER NOT NULL,
    "Retired" INTEGER NOT NULL,
    "Parts" TEXT NOT NULL, "SteepHours" REAL NOT NULL DEFAULT 0.0,
    CONSTRAINT "FK_OwnRecipes_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "OwnStocks" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_OwnStocks" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Name" TEXT NOT NULL,
    "Parts" TEXT NOT NULL,
    "WaterParts" REAL NOT NULL,
    "ByWeight" INTEGER NOT NULL,
    "Making" TEXT NOT NULL,
    "SteepHours" REAL NOT NULL,
    "Retired" INTEGER NOT NULL,
    CONSTRAINT "FK_OwnStocks_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Passkeys" (
    "CredentialId" BLOB NOT NULL CONSTRAINT "PK_Passkeys" PRIMARY KEY,
    "UserId" TEXT NOT NULL,
    "Data" TEXT NOT NULL,
    CONSTRAINT "FK_Passkeys_People_UserId" FOREIGN KEY ("UserId") REFERENCES "People" ("Id") ON DELETE CASCADE
);
CREATE TABLE "People" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_People" PRIMARY KEY,
    "IsKeeper" INTEGER NOT NULL,
    "UserName" TEXT NULL,
    "NormalizedUserName" TEXT NULL,
    "PasswordHash" TEXT NULL,
    "SecurityStamp" TEXT NULL,
    "ConcurrencyStamp" TEXT NULL,
    "LockoutEnd" INTEGER NULL,
    "LockoutEnabled" INTEGER NOT NULL,
    "AccessFailedCount" INTEGER NOT NULL
);
CREATE TABLE "PhotoImages" (
    "PhotoId" TEXT NOT NULL CONSTRAINT "PK_PhotoImages" PRIMARY KEY,
    "Image" BLOB NOT NULL,
    "Small" BLOB NOT NULL,
    CONSTRAINT "FK_PhotoImages_Photos_PhotoId" FOREIGN KEY ("PhotoId") REFERENCES "Photos" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Photos" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Photos" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "ObservationId" TEXT NOT NULL,
    "At" INTEGER NOT NULL,
    "Width" INTEGER NOT NULL,
    "Height" INTEGER NOT NULL,
    "RemovedAt" INTEGER NULL,
    CONSTRAINT "FK_Photos_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_Photos_Observations_ObservationId" FOREIGN KEY ("ObservationId") REFERENCES "Observations" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Picks" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Picks" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "PlantingId" TEXT NOT NULL,
    "On" TEXT NOT NULL,
    CONSTRAINT "FK_Picks_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_Picks_Plantings_PlantingId" FOREIGN KEY ("PlantingId") REFERENCES "Plantings" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Places" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Places" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Name" TEXT NOT NULL,
    "Kind" TEXT NOT NULL,
    "AreaM2" REAL NOT NULL,
    "SunHours" REAL NOT NULL,
    "Watering" TEXT NOT NULL,
    "SunFrom" TEXT NULL,
    "SunTo" TEXT NULL,
    "Stance" TEXT NULL,
    "PondDistanceM" REAL NULL,
    "Order" INTEGER NOT NULL, "ReservoirLitres" REAL NULL, "SpotAcrossM" REAL NULL, "SpotDownM" REAL NULL, "LampsFrom" TEXT NULL, "LampsTo" TEXT NULL,
    CONSTRAINT "FK_Places_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "PlanChoices" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_PlanChoices" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Word" TEXT NOT NULL,
    "PlantingId" TEXT NOT NULL,
    "Target" TEXT NULL,
    "Material" TEXT NULL,
    "On" TEXT NULL,
    "MemberId" TEXT NULL,
    CONSTRAINT "FK_PlanChoices_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_PlanChoices_Plantings_PlantingId" FOREIGN KEY ("PlantingId") REFERENCES "Plantings" ("Id") ON DELETE RESTRICT
);
CREATE TABLE "Plantings" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Plantings" PRIMARY KEY,
    "PlaceId" TEXT NOT NULL,
    "Crop" TEXT NOT NULL,
    "Variety" TEXT NULL,
    "From" TEXT NOT NULL,
    "Until" TEXT NULL,
    "Count" INTEGER NULL,
    "Stage" TEXT NOT NULL,
    "InFlower" INTEGER NOT NULL, "ApartUntil" TEXT NULL, "EarlierPlaces" TEXT NULL,
    CONSTRAINT "FK_Plantings_Places_PlaceId" FOREIGN KEY ("PlaceId") REFERENCES "Places" ("Id") ON DELETE RESTRICT
);
CREATE TABLE "Products" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Products" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Name" TEXT NOT NULL,
    "Like" TEXT NULL,
    "WorksOn" TEXT NOT NULL,
    "Unit" TEXT NOT NULL,
    "DoseLow" REAL NOT NULL,
    "DoseHigh" REAL NOT NULL,
    "AddTo" INTEGER NOT NULL,
    "MaxTimes" INTEGER NULL,
    "DaysBetween" INTEGER NULL,
    "DaysToWait" INTEGER NULL,
    "Retired" INTEGER NOT NULL, "Form" TEXT NOT NULL DEFAULT '', "Per" TEXT NOT NULL DEFAULT '', "FreshWaterDays" INTEGER NULL, "RunHours" INTEGER NULL, "Crops" TEXT NULL,
    CONSTRAINT "FK_Products_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Readings" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Readings" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "PlaceId" TEXT NOT NULL,
    "Of" TEXT NOT NULL,
    "At" INTEGER NOT NULL,
    "Value" REAL NOT NULL,
    "MemberId" TEXT NULL,
    CONSTRAINT "FK_Readings_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_Readings_Places_PlaceId" FOREIGN KEY ("PlaceId") REFERENCES "Places" ("Id") ON DELETE CASCADE
);
CREATE TABLE "SeenRounds" (
    "GardenId" TEXT NOT NULL,
    "Key" TEXT NOT NULL,
    "On" TEXT NOT NULL,
    "Recipe" TEXT NOT NULL,
    CONSTRAINT "PK_SeenRounds" PRIMARY KEY ("GardenId", "Key"),
    CONSTRAINT "FK_SeenRounds_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Sessions" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Sessions" PRIMARY KEY,
    "KeyHash" TEXT NOT NULL,
    "PersonId" TEXT NOT NULL,
    "Device" TEXT NOT NULL,
    "Ticket" BLOB NOT NULL,
    "StartedAt" INTEGER NOT NULL,
    "LastSeenAt" INTEGER NOT NULL,
    "ExpiresAt" INTEGER NOT NULL,
    CONSTRAINT "FK_Sessions_People_PersonId" FOREIGN KEY ("PersonId") REFERENCES "People" ("Id") ON DELETE CASCADE
);
CREATE TABLE "SkippedPlaceRow" (
    "WalkId" TEXT NOT NULL,
    "PlaceId" TEXT NOT NULL,
    CONSTRAINT "PK_SkippedPlaceRow" PRIMARY KEY ("WalkId", "PlaceId"),
    CONSTRAINT "FK_SkippedPlaceRow_Places_PlaceId" FOREIGN KEY ("PlaceId") REFERENCES "Places" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_SkippedPlaceRow_Walks_WalkId" FOREIGN KEY ("WalkId") REFERENCES "Walks" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Sprayers" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Sprayers" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Name" TEXT NOT NULL,
    "CapacityLitres" REAL NOT NULL,
    CONSTRAINT "FK_Sprayers_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Stocks" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Stocks" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Material" TEXT NOT NULL,
    "Name" TEXT NOT NULL,
    "Amount" REAL NOT NULL,
    "Left" REAL NOT NULL,
    "Unit" TEXT NOT NULL,
    "OpenedOn" TEXT NULL,
    "BestBefore" TEXT NULL, "Cost" REAL NULL, "LowAt" REAL NULL, "StrengthPercent" REAL NULL, "ReadyAt" INTEGER NULL,
    CONSTRAINT "FK_Stocks_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Tasks" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Tasks" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "PlantingId" TEXT NOT NULL,
    "LookId" TEXT NULL,
    "Step" TEXT NOT NULL,
    "Target" TEXT NULL,
    "DueOn" TEXT NOT NULL,
    "State" TEXT NOT NULL,
    "DoneAt" INTEGER NULL,
    "Leaves" INTEGER NULL,
    "MemberId" TEXT NULL, "Helper" TEXT NULL, "Number" INTEGER NULL, "Dose" TEXT NULL,
    CONSTRAINT "FK_Tasks_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_Tasks_Plantings_PlantingId" FOREIGN KEY ("PlantingId") REFERENCES "Plantings" ("Id") ON DELETE RESTRICT
);
CREATE TABLE "TreatedRow" (
    "ApplicationId" TEXT NOT NULL,
    "PlantingId" TEXT NOT NULL,
    "ShareWetted" REAL NOT NULL, "Plants" TEXT NULL,
    CONSTRAINT "PK_TreatedRow" PRIMARY KEY ("ApplicationId", "PlantingId"),
    CONSTRAINT "FK_TreatedRow_Applications_ApplicationId" FOREIGN KEY ("ApplicationId") REFERENCES "Applications" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_TreatedRow_Plantings_PlantingId" FOREIGN KEY ("PlantingId") REFERENCES "Plantings" ("Id") ON DELETE RESTRICT
);
CREATE TABLE "TrialCounts" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_TrialCounts" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "TrialId" TEXT NOT NULL,
    "Unit" INTEGER NOT NULL,
    "At" INTEGER NOT NULL,
    "LeavesLooked" INTEGER NOT NULL,
    "LeavesAffected" INTEGER NOT NULL,
    "SeverityPercent" REAL NULL,
    "MemberId" TEXT NULL, "Alive" INTEGER NULL, "Injury" TEXT NOT NULL DEFAULT 'None',
    CONSTRAINT "FK_TrialCounts_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE,
    CONSTRAINT "FK_TrialCounts_Trials_TrialId" FOREIGN KEY ("TrialId") REFERENCES "Trials" ("Id") ON DELETE CASCADE
);
CREATE TABLE "TrialSideRow" (
    "TrialId" TEXT NOT NULL,
    "Number" INTEGER NOT NULL,
    "Recipe" TEXT NULL,
    "Step" TEXT NOT NULL, "ByHand" TEXT NULL,
    CONSTRAINT "PK_TrialSideRow" PRIMARY KEY ("TrialId", "Number"),
    CONSTRAINT "FK_TrialSideRow_Trials_TrialId" FOREIGN KEY ("TrialId") REFERENCES "Trials" ("Id") ON DELETE CASCADE
);
CREATE TABLE "TrialUnitRow" (
    "TrialId" TEXT NOT NULL,
    "Number" INTEGER NOT NULL,
    "PlantingId" TEXT NOT NULL,
    "Side" INTEGER NOT NULL,
    CONSTRAINT "PK_TrialUnitRow" PRIMARY KEY ("TrialId", "Number"),
    CONSTRAINT "FK_TrialUnitRow_Plantings_PlantingId" FOREIGN KEY ("PlantingId") REFERENCES "Plantings" ("Id") ON DELETE RESTRICT,
    CONSTRAINT "FK_TrialUnitRow_Trials_TrialId" FOREIGN KEY ("TrialId") REFERENCES "Trials" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Trials" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Trials" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "Name" TEXT NOT NULL,
    "Target" TEXT NOT NULL,
    "Unit" TEXT NOT NULL,
    "LeavesPerUnit" INTEGER NOT NULL,
    "Seed" INTEGER NOT NULL,
    "Blind" INTEGER NOT NULL,
    "OpenedAt" INTEGER NOT NULL,
    "ClosedAt" INTEGER NULL,
    "TreatedAt" INTEGER NULL,
    "MemberId" TEXT NULL, "LastTreatedAt" INTEGER NULL, "TreatedTimes" INTEGER NOT NULL DEFAULT 0,
    CONSTRAINT "FK_Trials_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "Walks" (
    "Id" TEXT NOT NULL CONSTRAINT "PK_Walks" PRIMARY KEY,
    "GardenId" TEXT NOT NULL,
    "StartedAt" INTEGER NOT NULL,
    "EndedAt" INTEGER NULL,
    "MemberId" TEXT NULL,
    CONSTRAINT "FK_Walks_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "WeatherDays" (
    "GardenId" TEXT NOT NULL,
    "DayUtc" TEXT NOT NULL,
    "Source" TEXT NOT NULL,
    "Hours" BLOB NOT NULL,
    CONSTRAINT "PK_WeatherDays" PRIMARY KEY ("GardenId", "DayUtc", "Source"),
    CONSTRAINT "FK_WeatherDays_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "WeatherFetches" (
    "GardenId" TEXT NOT NULL,
    "Source" TEXT NOT NULL,
    "AnsweredAt" INTEGER NULL,
    "Trouble" TEXT NULL,
    CONSTRAINT "PK_WeatherFetches" PRIMARY KEY ("GardenId", "Source"),
    CONSTRAINT "FK_WeatherFetches_Gardens_GardenId" FOREIGN KEY ("GardenId") REFERENCES "Gardens" ("Id") ON DELETE CASCADE
);
CREATE TABLE "__EFMigrationsHistory" (
    "MigrationId" TEXT NOT NULL CONSTRAINT "PK___EFMigrationsHistory" PRIMARY KEY,
    "ProductVersion" TEXT NOT NULL
);
CREATE TABLE "__EFMigrationsLock" (
    "Id" INTEGER NOT NULL CONSTRAINT "PK___EFMigrationsLock" PRIMARY KEY,
    "Timestamp" TEXT NOT NULL
);
CREATE INDEX "IX_Applications_BatchId" ON "Applications" ("BatchId");
CREATE INDEX "IX_Applications_GardenId_At" ON "Applications" ("GardenId", "At");
CREATE INDEX "IX_BatchPlantingRow_PlantingId" ON "BatchPlantingRow" ("PlantingId");
CREATE INDEX "IX_Batches_GardenId_MadeAt" ON "Batches" ("GardenId", "MadeAt");
CREATE INDEX "IX_CheckBacks_ApplicationId" ON "CheckBacks" ("ApplicationId");
CREATE INDEX "IX_CheckBacks_BeforeId" ON "CheckBacks" ("BeforeId");
CREATE INDEX "IX_CheckBacks_GardenId_DoneAt" ON "CheckBacks" ("GardenId", "DoneAt");
CREATE INDEX "IX_CheckBacks_GardenId_DueOn" ON "CheckBacks" ("GardenId", "DueOn");
CREATE INDEX "IX_CheckBacks_ObservationId" ON "CheckBacks" ("ObservationId");
CREATE INDEX "IX_CheckBacks_PlantingId" ON "CheckBacks" ("PlantingId");
CREATE INDEX "IX_CheckBacks_TaskId" ON "CheckBacks" ("TaskId");
CREATE INDEX "IX_Corrections_ApplicationId" ON "Corrections" ("ApplicationId");
CREATE INDEX "IX_Corrections_GardenId" ON "Corrections" ("GardenId");
CREATE INDEX "IX_Courses_GardenId_OpenedAt" ON "Courses" ("GardenId", "OpenedAt");
CREATE INDEX "IX_Courses_PlantingId" ON "Courses" ("PlantingId");
CREATE INDEX "IX_Deeds_GardenId_Id" ON "Deeds" ("GardenId", "Id");
CREATE INDEX "IX_Emulsions_GardenId_At" ON "Emulsions" ("GardenId", "At");
CREATE INDEX "IX_Grants_GardenId" ON "Grants" ("GardenId");
CREATE UNIQUE INDEX "IX_Grants_MemberId" ON "Grants" ("MemberId");
CREATE INDEX "IX_Harvests_GardenId_At" ON "Harvests" ("GardenId", "At");
CREATE INDEX "IX_Harvests_PlantingId" ON "Harvests" ("PlantingId");
CREATE INDEX "IX_Invites_GardenId" ON "Invites" ("GardenId");
CREATE UNIQUE INDEX "IX_Invites_KeyHash" ON "Invites" ("KeyHash");
CREATE INDEX "IX_Invites_MemberId" ON "Invites" ("MemberId");
CREATE INDEX "IX_Links_GardenId" ON "Links" ("GardenId");
CREATE UNIQUE INDEX "IX_Links_KeyHash" ON "Links" ("KeyHash");
CREATE INDEX "IX_Mails_GardenId" ON "Mails" ("GardenId");
CREATE INDEX "IX_Members_GardenId" ON "Members" ("GardenId");
CREATE INDEX "IX_Observations_GardenId_At" ON "Observations" ("GardenId", "At");
CREATE INDEX "IX_Observations_PlantingId" ON "Observations" ("PlantingId");
CREATE INDEX "IX_Observations_WalkId" ON "Observations" ("WalkId");
CREATE INDEX "IX_OwnKinds_GardenId" ON "OwnKinds" ("GardenId");
CREATE INDEX "IX_OwnRecipes_GardenId" ON "OwnRecipes" ("GardenId");
CREATE INDEX "IX_OwnStocks_GardenId" ON "OwnStocks" ("GardenId");
CREATE INDEX "IX_Passkeys_UserId" ON "Passkeys" ("UserId");
CREATE UNIQUE INDEX "IX_People_NormalizedUserName" ON "People" ("NormalizedUserName");
CREATE INDEX "IX_Photos_GardenId_ObservationId" ON "Photos" ("GardenId", "ObservationId");
CREATE INDEX "IX_Photos_ObservationId" ON "Photos" ("ObservationId");
CREATE INDEX "IX_Picks_GardenId_On" ON "Picks" ("GardenId", "On");
CREATE INDEX "IX_Picks_PlantingId" ON "Picks" ("PlantingId");
CREATE INDEX "IX_Places_GardenId_Order" ON "Places" ("GardenId", "Order");
CREATE INDEX "IX_PlanChoices_GardenId" ON "PlanChoices" ("GardenId");
CREATE INDEX "IX_PlanChoices_PlantingId" ON "PlanChoices" ("PlantingId");
CREATE INDEX "IX_Plantings_PlaceId" ON "Plantings" ("PlaceId");
CREATE INDEX "IX_Products_GardenId" ON "Products" ("GardenId");
CREATE INDEX "IX_Readings_GardenId_At" ON "Readings" ("GardenId", "At");
CREATE INDEX "IX_Readings_PlaceId" ON "Readings" ("PlaceId");
CREATE UNIQUE INDEX "IX_Sessions_KeyHash" ON "Sessions" ("KeyHash");
CREATE INDEX "IX_Sessions_PersonId" ON "Sessions" ("PersonId");
CREATE INDEX "IX_SkippedPlaceRow_PlaceId" ON "SkippedPlaceRow" ("PlaceId");
CREATE INDEX "IX_Sprayers_GardenId" ON "Sprayers" ("GardenId");
CREATE INDEX "IX_Stocks_GardenId" ON "Stocks" ("GardenId");
CREATE INDEX "IX_Tasks_GardenId_DueOn" ON "Tasks" ("GardenId", "DueOn");
CREATE INDEX "IX_Tasks_PlantingId" ON "Tasks" ("PlantingId");
CREATE INDEX "IX_TreatedRow_PlantingId" ON "TreatedRow" ("PlantingId");
CREATE INDEX "IX_TrialCounts_GardenId" ON "TrialCounts" ("GardenId");
CREATE INDEX "IX_TrialCounts_TrialId" ON "TrialCounts" ("TrialId");
CREATE INDEX "IX_TrialUnitRow_PlantingId" ON "TrialUnitRow" ("PlantingId");
CREATE INDEX "IX_Trials_GardenId" ON "Trials" ("GardenId");
CREATE INDEX "IX_Walks_GardenId_StartedAt" ON "Walks" ("GardenId", "StartedAt");
INSERT INTO __EFMigrationsHistory VALUES ('20261125110501_CreateGarden', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261125133826_AddWalksAndPhotos', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261125144954_AddFreeHoursAndStation', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261125165942_AddShelfAndLabels', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261125210302_AddTasksAndCourses', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261125215902_AddPlan', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261126000542_AddTrialsAndHistory', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261128140201_KeepBottleStrength', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261128145632_KeepOwnNames', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261128203455_AddHousehold', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261128211633_AddHouseholdUnits', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261129012634_KeepOwnRecipes', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261129073124_KeepLivesHelpersAndKinds', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261129091743_KeepHarvestsAndReadings', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261129124624_KeepMails', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261129154556_SpeakALanguage', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261129185111_KeepDaysAndMoney', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261129224634_KeepCoursesThatFollow', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261129230556_KeepSinglePlantsAndForms', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261129231537_KeepPlansAndReservoirs', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261129234338_KeepEarlierPlaces', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261130020313_KeepStocksAndSharedTanks', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261130024233_KeepLampsHandSidesAndWhatIsCounted', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261130040251_KeepLabelCrops', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261130060623_KeepPasskeys', '10.0.15');
INSERT INTO __EFMigrationsHistory VALUES ('20261130130719_KeepTaskDose', '10.0.15');
