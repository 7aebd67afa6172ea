import { t } from '~/words/of/guide'
import type { GuidePage } from '#core/guide/guide'

/** What the guide asks for at each station, and what is to be seen of it; `typed` stands where the value is typed. */
export const GUIDE_WORDS: Record<GuidePage, { does: string; sees: string }> = {
  brief: {
    get does() {
      return t('guide.writeTheColdestStartType')
    },
    get sees() {
      return t('guide.atTheRightCrankingColdAnd')
    },
  },
  bearings: {
    get does() {
      return t('guide.oneBoreIsNotMeasuredYet')
    },
    get sees() {
      return t('guide.itsClearanceIsJudgedBesideIt')
    },
  },
  pump: {
    get does() {
      return t('guide.theEndClearanceByFeelerType')
    },
    get sees() {
      return t('guide.idleHotFallsAgainWhatSlips')
    },
  },
  relief: {
    get does() {
      return t('guide.theSpringsFreeLengthType')
    },
    get sees() {
      return t('guide.workingHotMovesAndIdleHot')
    },
  },
  pickup: {
    get does() {
      return t('guide.howFarThePickupStandsBelow')
    },
    get sees() {
      return t('guide.theDrawingShowsWhatIsLeft')
    },
  },
  passages: {
    get does() {
      return t('guide.lookAtWhatAPlugLeft')
    },
    get sees() {
      return t('guide.aPlugLeftOutInsideThe')
    },
  },
  outlook: {
    get does() {
      return t('guide.openBiggestEffects')
    },
    get sees() {
      return t('guide.eachThingThatYouCouldChange')
    },
  },
  prime: {
    get does() {
      return t('guide.tickThatThePumpIsPacked')
    },
    get sees() {
      return t('guide.whetherItDrawsAtAllWhen')
    },
  },
  start: {
    get does() {
      return t('guide.tickThatAFireExtinguisherIs')
    },
    get sees() {
      return t('guide.whatStillHoldsUpTheStart')
    },
  },
}
